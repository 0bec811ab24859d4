<?php

declare(strict_types=1);

namespace Tests\Core\Access;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Access\BeyondRights;
use Heronstem\Core\Access\Branch;
use Heronstem\Core\Access\Preparing;
use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\Claim;
use Heronstem\Core\Address\Slug;
use Heronstem\Core\Menu\MenuKind;
use Heronstem\Core\Moment;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Structure\Answer;
use Heronstem\Core\Structure\Batch;
use Heronstem\Core\Structure\Change;
use Heronstem\Core\Structure\Decision;
use Heronstem\Core\Structure\Decisions;
use Heronstem\Core\Structure\Name;
use Heronstem\Core\Structure\Page;
use Heronstem\Core\Structure\PageKind;
use Heronstem\Core\Structure\Place;
use Heronstem\Core\Structure\QuestionKind;
use Heronstem\Core\Structure\Reach;
use Heronstem\Core\Structure\Ripple;
use Heronstem\Core\Structure\StartAudience;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\MemoryBranch;
use Tests\Core\Memory\MemorySite;
use Tests\Core\Memory\RandomChanges;

/** What somebody who prepares pages may do: everything that visitors do not notice, within the branch, and nothing else. */
final class PreparingTest extends TestCase
{
    use TestTrait;

    private MemorySite $site;

    protected function setUp(): void
    {
        $this->shrinkingTimeLimit(30);
        $this->site = $this->site();
    }

    /** Travel (Times, Fares, a draft: Ideas with Inside), Help, a draft at the top: Plans. */
    private function site(): MemorySite
    {
        $site = new MemorySite;
        $site->startPage = 'Home';
        $site->live('Home');
        $site->live('Travel');
        $site->live('Times', 'Travel');
        $site->live('Fares', 'Travel');
        $site->draft('Ideas', 'Travel');
        $site->draft('Inside', 'Ideas');
        $site->live('Help');
        $site->draft('Plans');
        $site->draft('Notes', 'Plans');

        return $site;
    }

    /** @return iterable<string, array{Change, string|null}> a change, and what the refusal says; null for what is theirs */
    public static function changes(): iterable
    {
        yield 'makes a page' => [new Change\Make('New', Name::of('New'), Place::lastIn('Travel'), null), null];
        yield 'makes a page in front of live ones' => [new Change\Make('New', Name::of('New'), Place::before('Times'), null), null];
        yield 'renames a draft' => [new Change\Rename('Ideas', Name::of('Thoughts')), null];
        yield 'sets the slug of a draft' => [new Change\SetSlug('Ideas', Slug::of('thoughts')), null];
        yield 'describes a draft' => [new Change\Describe('Ideas', ['heading' => 'Ideas, all of them'], 'section', false), null];
        yield 'moves a draft' => [new Change\Move('Ideas', Place::lastIn('Help')), null];
        yield 'moves a draft in front of a live page' => [new Change\Move('Ideas', Place::before('Times')), null];
        yield 'duplicates a draft' => [new Change\Duplicate('Ideas', 'Copy'), null];
        yield 'duplicates a live page' => [new Change\Duplicate('Times', 'Copy'), null];
        yield 'sends for review' => [new Change\SendForReview('Ideas', 'Please look'), null];
        yield 'discards a draft' => [new Change\PutInBin('Ideas'), null];
        yield 'renames a live page' => [new Change\Rename('Times', Name::of('Timetables')), 'Visitors know “Timetables”'];
        yield 'sets the slug of a live page' => [new Change\SetSlug('Times', Slug::of('timetables')), 'Visitors know “Times”'];
        yield 'describes a live page' => [new Change\Describe('Times', ['summary' => 'When boats leave']), 'Visitors know “Times”'];
        yield 'takes a live page out of search engines' => [new Change\Describe('Times', indexed: false), 'Visitors know “Times”'];
        yield 'moves a live page' => [new Change\Move('Times', Place::lastIn('Help')), 'Visitors know “Times”'];
        yield 'moves a live page among its siblings' => [new Change\Move('Fares', Place::before('Times')), 'Visitors know “Fares”'];
        yield 'retires a live page' => [new Change\PutInBin('Times'), 'known to visitors|Visitors know'];
        yield 'goes live' => [new Change\GoLive('Ideas'), 'done by a manager'];
        yield 'goes live with a schedule' => [new Change\Schedule('Ideas', Moment::at(1_900_000_000), null), 'set by a manager|done by a manager'];
        yield 'takes offline' => [new Change\TakeOffline('Times'), 'Visitors know “Times”'];
        yield 'unlists a live page' => [Change\Listing::unlisted('Times'), 'Visitors know “Times”'];
        yield 'unlists a draft' => [Change\Listing::unlisted('Ideas'), 'the rest of it is set by a manager'];
        yield 'pins an address' => [new Change\Pin('Ideas', Address::set('/ideas', (new MemorySite)->rules)), 'the rest of it is set by a manager'];
        yield 'changes the kind' => [new Change\ChangeKind('Ideas', PageKind::Section), 'the rest of it is set by a manager'];
        yield 'sets the start page' => [new Change\SetStartPage('Help'), 'at the start'];
        yield 'sets the start page of signed-in people' => [new Change\SetStartPage('Help', StartAudience::SignedIn), 'at the start'];
        yield 'makes a menu' => [new Change\MakeMenu('01J000000000000000000FOOT1', Name::of('Footer'), MenuKind::Menu), 'changes a menu'];
        yield 'takes out of a menu' => [new Change\TakeOutOfMenu('Times', MemorySite::MAIN), 'changes a menu'];
        yield 'takes a draft out of a menu' => [new Change\TakeOutOfMenu('Ideas', MemorySite::MAIN), 'changes a menu'];
        yield 'gives a further address' => [Change\AddAddress::sendingOn('Ideas', Address::set('/thoughts', (new MemorySite)->rules)), 'manager\'s to decide'];
    }

    #[Test]
    #[DataProvider('changes')]
    public function somebody_who_prepares_pages_does_what_visitors_do_not_notice(Change $change, ?string $refusal): void
    {
        self::assertSame([], $this->unlike($this->refusal($this->site->planBatch(new Batch([$change], Decisions::elseDefaults()))), $refusal));
    }

    /** @return iterable<string, array{Change, string|null}> as somebody whose branch is Travel */
    public static function changesFromABranch(): iterable
    {
        yield 'makes a page inside' => [new Change\Make('New', Name::of('New'), Place::lastIn('Travel'), null), null];
        yield 'makes a page further inside' => [new Change\Make('New', Name::of('New'), Place::lastIn('Ideas'), null), null];
        yield 'makes a page beside the branch' => [new Change\Make('New', Name::of('New'), Place::after('Travel'), null), 'lies outside it'];
        yield 'makes a page elsewhere' => [new Change\Make('New', Name::of('New'), Place::lastIn('Help'), null), 'lies outside it'];
        yield 'renames a draft inside' => [new Change\Rename('Inside', Name::of('Thoughts')), null];
        yield 'renames a draft elsewhere' => [new Change\Rename('Plans', Name::of('Thoughts')), 'another branch'];
        yield 'moves a draft about inside' => [new Change\Move('Inside', Place::lastIn('Travel')), null];
        yield 'moves a draft out' => [new Change\Move('Ideas', Place::lastIn('Help')), 'lies outside it'];
        yield 'takes a draft of others in' => [new Change\Move('Plans', Place::lastIn('Travel')), 'another branch'];
        yield 'duplicates a page of others where it stands' => [new Change\Duplicate('Plans', 'Copy'), 'lies outside it'];
        yield 'duplicates a page of others into the branch' => [new Change\Duplicate('Plans', 'Copy', Reach::Page, Place::lastIn('Travel')), null];
        yield 'discards a draft of others' => [new Change\PutInBin('Plans'), 'another branch'];
    }

    #[Test]
    #[DataProvider('changesFromABranch')]
    public function somebody_with_a_branch_does_it_there(Change $change, ?string $refusal): void
    {
        self::assertSame([], $this->unlike($this->refusal($this->site->planBatch(new Batch([$change], Decisions::elseDefaults())), 'Travel'), $refusal));
    }

    #[Test]
    public function what_moves_a_live_page_below_a_draft_is_not_theirs_however_harmless_its_name(): void
    {
        $this->site->live('Below', 'Ideas');
        foreach ([new Change\SetSlug('Ideas', Slug::of('thoughts')), new Change\Move('Ideas', Place::lastIn('Help')), new Change\PutInBin('Ideas')] as $change) {
            self::assertNotNull($this->refusal($this->site->planBatch(new Batch([$change], Decisions::elseDefaults()))), $change::class);
        }
        self::assertNull($this->refusal($this->site->plan(new Change\Describe('Ideas', ['heading' => 'Only a heading']))));
    }

    #[Test]
    public function the_branch_is_looked_at_once_however_many_pages_are_changed(): void
    {
        for ($n = 0; $n < 12; $n++) {
            $this->site->draft("Idea $n", 'Ideas');
        }
        $batch = new Batch(array_map(static fn (int $n): Change => new Change\Rename("Idea $n", Name::of("Thought $n")), range(0, 11)));
        $branch = $this->createMock(Branch::class);
        $branch->expects(self::once())->method('root')->willReturn('Travel');
        $branch->expects(self::once())->method('holds')->willReturnCallback((new MemoryBranch($this->site, 'Travel'))->holds(...));
        (new Preparing($branch))->guard($this->site->planBatch($batch));
    }

    #[Test]
    public function taking_an_address_that_visitors_know_is_not_theirs(): void
    {
        $this->site->apply(new Change\SetSlug('Times', Slug::of('timetables')));
        $wish = new Batch([new Change\SetSlug('Ideas', Slug::of('times'))], Decisions::of(Decision::giveWay(Address::set('/travel/times', $this->site->rules))));
        self::assertStringContainsString('known to visitors', (string) $this->refusal($this->site->planBatch($wish)));
    }

    #[Test]
    public function what_is_decided_beside_a_harmless_change_is_judged_with_it(): void
    {
        $cards = '01J00000000000000000CARDS1';
        $this->site->apply(new Change\MakeMenu($cards, Name::of('Cards'), MenuKind::Picks), new Change\AddToMenu('Ideas', $cards));
        $bin = static fn (Answer $answer): Batch => new Batch([new Change\PutInBin('Ideas')], Decisions::elseDefaults(Decision::answer(QuestionKind::MenuEntries, 'Ideas', $answer)));
        self::assertNull($this->refusal($this->site->planBatch($bin(Answer::Leave))));
        self::assertStringContainsString('changes a menu', (string) $this->refusal($this->site->planBatch($bin(Answer::Remove))));
    }

    #[Test]
    public function what_somebody_prepared_they_take_back_themselves_until_it_is_live(): void
    {
        $made = $this->site->apply(new Change\Make('New', Name::of('New'), Place::lastIn('Travel'), null));
        self::assertNull($this->refusal($this->site->planTakingBack($made)));
        $live = $this->site->apply(new Change\GoLive('New'));
        self::assertNotNull($this->refusal($this->site->planTakingBack($live)), 'It takes the page from visitors.');
    }

    #[Test]
    public function whatever_is_theirs_leaves_everything_that_visitors_get_as_it_was(): void
    {
        $allowed = 0;
        $this->limitTo(1500)->forAll(RandomChanges::batches(), Generators::elements([null, 'Travel', 'Plans', 'Ideas']))->then(function (array $batches, ?string $root) use (&$allowed): void {
            $site = $this->site();
            foreach ($batches as $steps) {
                $ripple = RandomChanges::planned($site, $steps);
                if ($ripple === null) {
                    continue;
                }
                $isTheirs = $this->refusal($ripple, $root, $site) === null;
                $before = [$this->visible($site), $this->outside($site, $root)];
                $site->carryOut($ripple);
                if ($isTheirs) {
                    $allowed++;
                    self::assertEquals($before[0], $this->visible($site), 'Visitors notice.');
                    self::assertEquals($before[1], array_intersect_key($this->outside($site, $root), $before[1]), 'Pages of others are changed.');
                }
            }
        });
        self::assertGreaterThan(300, $allowed, 'A rule that allows nothing keeps every law.');
    }

    /** @return array<string, mixed> what visitors get, and in which order */
    private function visible(MemorySite $site): array
    {
        $known = array_filter($site->pages, static fn (Page $page): bool => $page->everLive);
        $order = [];
        foreach ([null, ...array_keys($site->pages)] as $parent) {
            $children = array_values(array_intersect(array_keys($site->childOrder($parent === null ? null : (string) $parent)), array_keys($known)));
            $order[(string) $parent] = $children;
        }

        return [
            'pages' => array_map(static fn (Page $page): Page => $page->with(['position' => 0, 'prepared' => null]), $known),
            'order' => array_filter($order),
            'addresses' => array_filter($site->claims, static fn (Claim $claim): bool => $claim->everLive),
            'menus' => $site->menus,
            'redirects' => array_map(static fn (Rule $rule): array => $rule->toArray(), $site->redirects),
            'start' => [$site->startPage, $site->startPageSignedIn],
        ];
    }

    /** @return array<string, Page> pages that do not lie in the branch; where they stand among others may be spaced anew */
    private function outside(MemorySite $site, ?string $root): array
    {
        $holds = (new MemoryBranch($site, $root))->holds(array_map(strval(...), array_keys($site->pages)));

        return array_map(static fn (Page $page): Page => $page->with(['position' => 0]), array_filter($site->pages, static fn (Page $page): bool => ! ($holds[$page->id] ?? false)));
    }

    private function refusal(Ripple $ripple, ?string $root = null, ?MemorySite $site = null): ?string
    {
        try {
            (new Preparing(new MemoryBranch($site ?? $this->site, $root)))->guard($ripple);
        } catch (BeyondRights $beyond) {
            return $beyond->getMessage();
        }

        return null;
    }

    /** @return list<string|null> what was said, where it is none of what was expected */
    private function unlike(?string $said, ?string $expected): array
    {
        $isLike = $expected === null ? $said === null : $said !== null && array_filter(explode('|', $expected), static fn (string $one): bool => str_contains($said, $one)) !== [];

        return $isLike ? [] : [$said];
    }
}
