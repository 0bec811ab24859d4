<?php

declare(strict_types=1);

namespace Tests\Core\Access;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Access\BeyondRights;
use Heronstem\Core\Access\Branch;
use Heronstem\Core\Access\Preparing;
use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\Slug;
use Heronstem\Core\Change\AddAddress;
use Heronstem\Core\Change\AddToMenu;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\Change;
use Heronstem\Core\Change\ChangeKind;
use Heronstem\Core\Change\Describe;
use Heronstem\Core\Change\Duplicate;
use Heronstem\Core\Change\GoLive;
use Heronstem\Core\Change\Make;
use Heronstem\Core\Change\MakeMenu;
use Heronstem\Core\Change\Move;
use Heronstem\Core\Change\Pin;
use Heronstem\Core\Change\PutInBin;
use Heronstem\Core\Change\RemoveFromMenu;
use Heronstem\Core\Change\Rename;
use Heronstem\Core\Change\Schedule;
use Heronstem\Core\Change\Scope;
use Heronstem\Core\Change\SendForReview;
use Heronstem\Core\Change\SetSearch;
use Heronstem\Core\Change\SetSlug;
use Heronstem\Core\Change\SetStartPage;
use Heronstem\Core\Change\TakeOffline;
use Heronstem\Core\Change\UnlistPage;
use Heronstem\Core\Decision\Answer;
use Heronstem\Core\Decision\Decision;
use Heronstem\Core\Decision\Decisions;
use Heronstem\Core\Decision\QuestionKind;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Menu\MenuKind;
use Heronstem\Core\Moment;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageKind;
use Heronstem\Core\Tree\PageName;
use Heronstem\Core\Tree\StartAudience;
use Heronstem\Core\Workspace\Place;
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
        $site = new MemorySite();
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
        yield 'makes a page' => [new Make('New', PageName::of('New'), Place::lastIn('Travel'), null), null];
        yield 'makes a page in front of live ones' => [new Make('New', PageName::of('New'), Place::before('Times'), null), null];
        yield 'renames a draft' => [new Rename('Ideas', PageName::of('Thoughts')), null];
        yield 'sets the slug of a draft' => [new SetSlug('Ideas', Slug::of('thoughts')), null];
        yield 'describes a draft' => [new Describe('Ideas', ['heading' => 'Ideas, all of them'], 'section'), null];
        yield 'sets what a draft tells search engines' => [new SetSearch('Ideas', ['index' => false]), null];
        yield 'moves a draft' => [new Move('Ideas', Place::lastIn('Help')), null];
        yield 'moves a draft in front of a live page' => [new Move('Ideas', Place::before('Times')), null];
        yield 'duplicates a draft' => [new Duplicate('Ideas', 'Copy'), null];
        yield 'duplicates a live page' => [new Duplicate('Times', 'Copy'), null];
        yield 'sends for review' => [new SendForReview('Ideas', 'Please look'), null];
        yield 'discards a draft' => [new PutInBin('Ideas'), null];
        yield 'renames a live page' => [new Rename('Times', PageName::of('Timetables')), 'Visitors know “Timetables”'];
        yield 'sets the slug of a live page' => [new SetSlug('Times', Slug::of('timetables')), 'Visitors know “Times”'];
        yield 'describes a live page' => [new Describe('Times', ['summary' => 'When boats leave']), 'Visitors know “Times”'];
        yield 'takes a live page out of search engines' => [new SetSearch('Times', ['index' => false]), 'Visitors know “Times”'];
        yield 'moves a live page' => [new Move('Times', Place::lastIn('Help')), 'Visitors know “Times”'];
        yield 'moves a live page among its siblings' => [new Move('Fares', Place::before('Times')), 'Visitors know “Fares”'];
        yield 'retires a live page' => [new PutInBin('Times'), 'known to visitors|Visitors know'];
        yield 'goes live' => [new GoLive('Ideas'), 'done by a manager'];
        yield 'goes live with a schedule' => [new Schedule('Ideas', Moment::at(1_900_000_000), null), 'set by a manager|done by a manager'];
        yield 'takes offline' => [new TakeOffline('Times'), 'Visitors know “Times”'];
        yield 'unlists a live page' => [new UnlistPage('Times'), 'Visitors know “Times”'];
        yield 'unlists a draft' => [new UnlistPage('Ideas'), 'the rest of it is set by a manager'];
        yield 'pins an address' => [new Pin('Ideas', Address::set('/ideas', (new MemorySite())->rules)), 'the rest of it is set by a manager'];
        yield 'changes the kind' => [new ChangeKind('Ideas', PageKind::Section), 'the rest of it is set by a manager'];
        yield 'sets the start page' => [new SetStartPage('Help'), 'at the start'];
        yield 'sets the start page of signed-in people' => [new SetStartPage('Help', StartAudience::SignedIn), 'at the start'];
        yield 'makes a menu' => [new MakeMenu('01J000000000000000000FOOT1', PageName::of('Footer'), MenuKind::Menu), 'changes a menu'];
        yield 'takes out of a menu' => [new RemoveFromMenu('Times', MemorySite::MAIN), 'changes a menu'];
        yield 'takes a draft out of a menu' => [new RemoveFromMenu('Ideas', MemorySite::MAIN), 'changes a menu'];
        yield 'gives a further address' => [
            AddAddress::sendingOn('Ideas', Address::set('/thoughts', (new MemorySite())->rules)),
            'manager\'s to decide',
        ];
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
        yield 'makes a page inside' => [new Make('New', PageName::of('New'), Place::lastIn('Travel'), null), null];
        yield 'makes a page further inside' => [new Make('New', PageName::of('New'), Place::lastIn('Ideas'), null), null];
        yield 'makes a page beside the branch' => [new Make('New', PageName::of('New'), Place::after('Travel'), null), 'lies outside it'];
        yield 'makes a page elsewhere' => [new Make('New', PageName::of('New'), Place::lastIn('Help'), null), 'lies outside it'];
        yield 'renames a draft inside' => [new Rename('Inside', PageName::of('Thoughts')), null];
        yield 'renames a draft elsewhere' => [new Rename('Plans', PageName::of('Thoughts')), 'another branch'];
        yield 'moves a draft about inside' => [new Move('Inside', Place::lastIn('Travel')), null];
        yield 'moves a draft out' => [new Move('Ideas', Place::lastIn('Help')), 'lies outside it'];
        yield 'takes a draft of others in' => [new Move('Plans', Place::lastIn('Travel')), 'another branch'];
        yield 'duplicates a page of others where it stands' => [new Duplicate('Plans', 'Copy'), 'lies outside it'];
        yield 'duplicates a page of others into the branch' => [new Duplicate('Plans', 'Copy', Scope::Page, Place::lastIn('Travel')), null];
        yield 'discards a draft of others' => [new PutInBin('Plans'), 'another branch'];
    }

    #[Test]
    #[DataProvider('changesFromABranch')]
    public function somebody_with_a_branch_does_it_there(Change $change, ?string $refusal): void
    {
        self::assertSame(
            [],
            $this->unlike($this->refusal($this->site->planBatch(new Batch([$change], Decisions::elseDefaults())), 'Travel'), $refusal),
        );
    }

    #[Test]
    public function what_moves_a_live_page_below_a_draft_is_not_theirs_however_harmless_its_name(): void
    {
        $this->site->live('Below', 'Ideas');
        foreach ([new SetSlug('Ideas', Slug::of('thoughts')), new Move('Ideas', Place::lastIn('Help')), new PutInBin('Ideas')] as $change) {
            self::assertNotNull($this->refusal($this->site->planBatch(new Batch([$change], Decisions::elseDefaults()))), $change::class);
        }
        self::assertNull($this->refusal($this->site->plan(new Describe('Ideas', ['heading' => 'Only a heading']))));
    }

    #[Test]
    public function the_branch_is_looked_at_once_however_many_pages_are_changed(): void
    {
        for ($n = 0; $n < 12; $n++) {
            $this->site->draft("Idea $n", 'Ideas');
        }
        $batch = new Batch(array_map(static fn (int $n): Change => new Rename("Idea $n", PageName::of("Thought $n")), range(0, 11)));
        $branch = $this->createMock(Branch::class);
        $branch->expects(self::once())->method('root')->willReturn('Travel');
        $branch->expects(self::once())->method('holds')->willReturnCallback((new MemoryBranch($this->site, 'Travel'))->holds(...));
        (new Preparing($branch))->guard($this->site->planBatch($batch));
    }

    #[Test]
    public function taking_an_address_that_visitors_know_is_not_theirs(): void
    {
        $this->site->apply(new SetSlug('Times', Slug::of('timetables')));
        $wish = new Batch(
            [new SetSlug('Ideas', Slug::of('times'))],
            Decisions::of(Decision::giveWay(Address::set('/travel/times', $this->site->rules))),
        );
        self::assertStringContainsString('known to visitors', (string) $this->refusal($this->site->planBatch($wish)));
    }

    #[Test]
    public function what_is_decided_beside_a_harmless_change_is_judged_with_it(): void
    {
        $cards = '01J00000000000000000CARDS1';
        $this->site->apply(new MakeMenu($cards, PageName::of('Cards'), MenuKind::Picks), new AddToMenu('Ideas', $cards));
        $bin = static fn (Answer $answer): Batch => new Batch(
            [new PutInBin('Ideas')],
            Decisions::elseDefaults(Decision::answer(QuestionKind::MenuEntries, 'Ideas', $answer)),
        );
        self::assertNull($this->refusal($this->site->planBatch($bin(Answer::Leave))));
        self::assertStringContainsString('changes a menu', (string) $this->refusal($this->site->planBatch($bin(Answer::Remove))));
    }

    #[Test]
    public function what_somebody_prepared_they_undo_themselves_until_it_is_live(): void
    {
        $made = $this->site->apply(new Make('New', PageName::of('New'), Place::lastIn('Travel'), null));
        self::assertNull($this->refusal($this->site->planUndoing($made)));
        $live = $this->site->apply(new GoLive('New'));
        self::assertNotNull($this->refusal($this->site->planUndoing($live)), 'It takes the page from visitors.');
    }

    #[Test]
    public function whatever_is_theirs_leaves_everything_that_visitors_get_as_it_was(): void
    {
        $allowed = 0;
        $this->limitTo(1500)
            ->forAll(RandomChanges::batches(), Generators::elements([null, 'Travel', 'Plans', 'Ideas']))
            ->then(function (array $batches, ?string $root) use (&$allowed): void {
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

        return array_map(
            static fn (Page $page): Page => $page->with(['position' => 0]),
            array_filter($site->pages, static fn (Page $page): bool => ! ($holds[$page->id] ?? false)),
        );
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
        $isLike =
            $expected === null
                ? $said === null
                : $said !== null && array_filter(explode('|', $expected), static fn (string $one): bool => str_contains($said, $one)) !== [];

        return $isLike ? [] : [$said];
    }
}
