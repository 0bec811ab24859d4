<?php

declare(strict_types=1);

namespace Tests\Core\Planning;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Access\BeyondRights;
use Heronstem\Core\Access\Line;
use Heronstem\Core\Access\Marks;
use Heronstem\Core\Access\Person;
use Heronstem\Core\Access\Right;
use Heronstem\Core\Access\RightsOfPerson;
use Heronstem\Core\Access\Says;
use Heronstem\Core\Access\SiteAccess;
use Heronstem\Core\Access\Who;
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
use Heronstem\Core\Change\SetAccess;
use Heronstem\Core\Change\SetCode;
use Heronstem\Core\Change\SetRights;
use Heronstem\Core\Change\SetRoles;
use Heronstem\Core\Change\SetSearch;
use Heronstem\Core\Change\SetSiteHead;
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
use Heronstem\Core\Planning\WithinRights;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Refusal;
use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageKind;
use Heronstem\Core\Tree\PageName;
use Heronstem\Core\Tree\PageState;
use Heronstem\Core\Tree\StartAudience;
use Heronstem\Core\Workspace\Place;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\MemoryMarks;
use Tests\Core\Memory\MemorySite;
use Tests\Core\Memory\RandomChanges;

/** Every effect of a batch takes a right where it happens. Somebody who writes does what visitors do not notice, and nothing else. */
final class WithinRightsTest extends TestCase
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
        yield 'sets what a draft tells search engines' => [new SetSearch('Ideas', ['index' => false]), '“search settings”'];
        yield 'moves a draft' => [new Move('Ideas', Place::lastIn('Help')), null];
        yield 'moves a draft in front of a live page' => [new Move('Ideas', Place::before('Times')), null];
        yield 'duplicates a draft' => [new Duplicate('Ideas', 'Copy'), null];
        yield 'duplicates a live page' => [new Duplicate('Times', 'Copy'), null];
        yield 'sends for review' => [new SendForReview('Ideas', 'Please look'), null];
        yield 'discards a draft' => [new PutInBin('Ideas'), null];
        yield 'renames a live page' => [new Rename('Times', PageName::of('Timetables')), '“publish”'];
        yield 'sets the slug of a live page' => [new SetSlug('Times', Slug::of('timetables')), '“publish”|“search settings”'];
        yield 'describes a live page' => [new Describe('Times', ['summary' => 'When boats leave']), '“publish”|“search settings”'];
        yield 'takes a live page out of search engines' => [new SetSearch('Times', ['index' => false]), '“publish”|“search settings”'];
        yield 'moves a live page' => [new Move('Times', Place::lastIn('Help')), '“publish”|“search settings”'];
        yield 'moves a live page among its siblings' => [new Move('Fares', Place::before('Times')), '“publish”'];
        yield 'retires a live page' => [new PutInBin('Times'), '“retire”'];
        yield 'goes live' => [new GoLive('Ideas'), '“publish”'];
        yield 'goes live with a schedule' => [new Schedule('Ideas', Moment::at(1_900_000_000), null), '“publish”'];
        yield 'takes offline' => [new TakeOffline('Times'), '“retire”'];
        yield 'unlists a live page' => [new UnlistPage('Times'), '“publish”|“search settings”'];
        yield 'unlists a draft' => [new UnlistPage('Ideas'), null];
        yield 'pins an address' => [new Pin('Ideas', Address::set('/ideas', (new MemorySite())->rules)), '“addresses”'];
        yield 'changes the kind' => [new ChangeKind('Ideas', PageKind::Section), null];
        yield 'sets the start page' => [new SetStartPage('Help'), '“settings”'];
        yield 'sets the start page of signed-in people' => [new SetStartPage('Help', StartAudience::SignedIn), '“settings”'];
        yield 'makes a menu' => [new MakeMenu('01J000000000000000000FOOT1', PageName::of('Footer'), MenuKind::Menu), '“menus”'];
        yield 'takes out of a menu' => [new RemoveFromMenu('Times', MemorySite::MAIN), '“menus”'];
        yield 'takes a draft out of a menu' => [new RemoveFromMenu('Ideas', MemorySite::MAIN), '“menus”'];
        yield 'gives a further address' => [AddAddress::sendingOn('Ideas', Address::set('/thoughts', (new MemorySite())->rules)), '“addresses”'];
    }

    #[Test]
    #[DataProvider('changes')]
    public function somebody_who_prepares_pages_does_what_visitors_do_not_notice(Change $change, ?string $refusal): void
    {
        self::assertSame([], $this->unlike($this->refusal($this->site->planBatch(new Batch([$change], Decisions::elseDefaults()))), $refusal));
    }

    /** @return iterable<string, array{Change, list<Right>}> a change, and the rights that it takes */
    public static function needs(): iterable
    {
        $address = static fn (string $path): Address => Address::set($path, (new MemorySite())->rules);
        yield 'renames a live page' => [new Rename('Times', PageName::of('Timetables')), [Right::Structure, Right::Publish]];
        yield 'sets the slug of a live page' => [new SetSlug('Times', Slug::of('timetables')), [Right::Structure, Right::Publish, Right::Addresses]];
        yield 'moves a live page' => [new Move('Times', Place::lastIn('Help')), [Right::Structure, Right::Publish, Right::Addresses]];
        yield 'moves a live page among its siblings' => [new Move('Fares', Place::before('Times')), [Right::Structure, Right::Publish]];
        yield 'describes a live page' => [new Describe('Times', ['summary' => 'When boats leave']), [Right::Write, Right::Publish]];
        yield 'gives a draft another layout' => [new Describe('Ideas', [], 'section'), [Right::Fields]];
        yield 'sets what a live page tells search engines' => [new SetSearch('Times', ['index' => false]), [Right::Search]];
        yield 'goes live' => [new GoLive('Ideas'), [Right::Publish]];
        yield 'takes offline' => [new TakeOffline('Times'), [Right::Retire]];
        yield 'retires a live page' => [new PutInBin('Times'), [Right::Retire]];
        yield 'discards a draft' => [new PutInBin('Ideas'), [Right::Structure]];
        yield 'pins an address' => [new Pin('Ideas', $address('/ideas')), [Right::Addresses]];
        yield 'gives a further address' => [AddAddress::sendingOn('Times', $address('/t')), [Right::Addresses]];
        yield 'writes head code of all pages' => [new SetSiteHead('<meta name="a" content="b">'), [Right::Code]];
        yield 'writes code' => [new SetCode('Times', ['styles' => 'p { color: red }']), [Right::Code]];
        yield 'sets the start page' => [new SetStartPage('Help'), [Right::Settings, Right::Addresses]];
        yield 'makes a menu' => [new MakeMenu('01J000000000000000000FOOT1', PageName::of('Footer'), MenuKind::Menu), [Right::Menus]];
        yield 'sends for review' => [new SendForReview('Ideas', ''), [Right::Write]];
        yield 'closes a live page' => [new SetAccess('Times', ['to' => 'nobody'], 'UTC'), [Right::Access]];
        yield 'closes a draft' => [new SetAccess('Ideas', ['to' => 'nobody'], 'UTC'), [Right::Access]];
    }

    /** @param  list<Right>  $needed */
    #[Test]
    #[DataProvider('needs')]
    public function a_change_takes_each_of_its_rights_and_no_other(Change $change, array $needed): void
    {
        $ripple = $this->site->planBatch(new Batch([$change], Decisions::elseDefaults()));
        self::assertNull($this->refusal($ripple, may: $needed));
        foreach ($needed as $right) {
            $others = array_values(array_filter(Right::cases(), static fn (Right $other): bool => $other !== $right));
            self::assertStringContainsString("“{$right->label()}”", (string) $this->refusal($ripple, may: $others));
        }
    }

    #[Test]
    public function a_schedule_takes_its_right_whatever_else_is_done_in_the_same_batch(): void
    {
        $this->site->apply(new TakeOffline('Times'));
        $both = $this->site->plan(new Schedule('Times', Moment::at(1_900_000_000), null), new SendForReview('Times', ''));
        self::assertStringContainsString('“publish”', (string) $this->refusal($both));
    }

    #[Test]
    public function moving_a_page_out_of_a_closed_branch_opens_it_and_takes_the_right_to(): void
    {
        $this->site->apply(new SetAccess('Travel', ['to' => 'nobody'], 'UTC'));
        $out = $this->site->plan(new Move('Times', Place::lastIn(null)));
        self::assertStringContainsString('“access”', (string) $this->refusal($out, may: [Right::Structure, Right::Publish, Right::Addresses]));
        self::assertNull($this->refusal($out, may: [Right::Structure, Right::Publish, Right::Addresses, Right::Access]));
    }

    #[Test]
    public function a_branch_within_that_is_denied_is_not_moved_along_with_what_is_around_it(): void
    {
        $rights = RightsOfPerson::of(new Person('Isla', 'Isla', ['writer']), [
            ...array_map(static fn (Right $right): Line => new Line(Who::role('writer'), null, $right, Says::Allow), Right::cases()),
            new Line(Who::person('Isla'), 'Times', Right::Addresses, Says::Deny),
        ]);
        $guard = new WithinRights($rights, new MemoryMarks($this->site));
        $guard->guard($this->site->plan(new SetSlug('Fares', Slug::of('prices'))));
        $this->expectExceptionMessage('“Times”: this takes the right “addresses”, which is denied to you there');
        $guard->guard($this->site->plan(new SetSlug('Travel', Slug::of('crossings'))));
    }

    #[Test]
    public function nobody_gives_what_they_do_not_have_whatever_they_change(): void
    {
        $line = Generators::tuple(
            Generators::elements(['role:a', 'role:b', 'person:Isla', 'person:Tam']),
            Generators::elements([null, 'Travel', 'Ideas']),
            Generators::elements([Right::Write, Right::Publish, Right::People]),
            Generators::elements(Says::cases()),
        );
        $allowed = 0;
        $this->limitTo(600)
            ->forAll(Generators::seq($line), Generators::seq($line), Generators::elements([null, ['a'], ['b'], ['a', 'b'], []]))
            ->then(function (array $given, array $set, ?array $roles) use (&$allowed): void {
                $site = $this->site();
                $access = SiteAccess::begun()
                    ->withRole('a', 'A')
                    ->withRole('b', 'B')
                    ->withPerson('Greta', ['owner'], 'Greta');
                $access = $access->withPerson('Isla', ['a'], 'Isla')->withPerson('Tam', ['b'], 'Tam');
                foreach (
                    [
                        ['role:a', null, Right::See, Says::Allow],
                        ['role:b', null, Right::See, Says::Allow],
                        ['role:a', null, Right::People, Says::Allow],
                        ...$given,
                    ] as $one
                ) {
                    $access = $this->said($access, ...$one);
                }
                $site->access = $access;
                $lines = array_map(
                    static fn (array $one): array => [
                        'who' => $one[0],
                        'branch' => $one[2]->isOfSite() ? null : $one[1],
                        'right' => $one[2]->value,
                        'says' => $one[3]->value,
                    ],
                    $set,
                );
                try {
                    $changes = [...$lines === [] ? [] : [SetRights::of($lines)], ...$roles === null ? [] : [new SetRoles('Tam', $roles)]];
                    $ripple = $changes === [] ? null : $site->plan(...$changes);
                } catch (Refusal) {
                    return;
                }
                $isla = $access->rightsOf('Isla');
                try {
                    (new WithinRights($isla, new MemoryMarks($site)))->guard($ripple ?? $site->plan(new Rename('Ideas', PageName::of('Else'))));
                } catch (BeyondRights) {
                    return;
                }
                $allowed++;
                $after = $ripple?->access->after ?? $access;
                foreach (['Isla', 'Tam', 'Greta'] as $person) {
                    foreach ([[], ['Travel'], ['Ideas', 'Travel']] as $around) {
                        foreach ([Right::Write, Right::Publish, Right::People, Right::See] as $right) {
                            $isGained = $after->rightsOf($person)->may($right, $around) && ! $access->rightsOf($person)->may($right, $around);
                            self::assertTrue(! $isGained || $isla->may($right, $around), "$person gains {$right->value}, which Isla does not have.");
                        }
                    }
                }
            });
        self::assertGreaterThan(5, $allowed, 'A rule that allows nothing keeps every law.');
    }

    #[Test]
    public function what_is_given_on_the_whole_site_is_not_theirs_to_give_where_it_is_denied_to_them(): void
    {
        $this->site->access = SiteAccess::begun()
            ->withRole('b', 'B')
            ->withPerson('Greta', ['owner'], 'Greta')
            ->withPerson('Isla', ['manager'], 'Isla')
            ->withPerson('Tam', ['b'], 'Tam');
        foreach (
            [
                ['person:Isla', null, Right::People, Says::Allow],
                ['role:b', null, Right::See, Says::Allow],
                ['person:Isla', 'Travel', Right::Write, Says::Deny],
            ] as $one
        ) {
            $this->site->access = $this->said($this->site->access, ...$one);
        }
        $guard = new WithinRights($this->site->access->rightsOf('Isla'), new MemoryMarks($this->site));
        $guard->guard($this->site->plan(SetRights::of([['who' => 'role:b', 'branch' => null, 'right' => 'publish', 'says' => 'allow']])));
        $this->expectExceptionMessage('This gives the right “write” where you do not have it yourself');
        $guard->guard($this->site->plan(SetRights::of([['who' => 'role:b', 'branch' => null, 'right' => 'write', 'says' => 'allow']])));
    }

    #[Test]
    public function owners_are_made_and_unmade_by_owners_alone(): void
    {
        $this->site->access = SiteAccess::begun()
            ->withPerson('Greta', ['owner'], 'Greta')
            ->withPerson('Ada', ['owner'], 'Ada')
            ->withPerson('Isla', ['manager'], 'Isla');
        foreach ([new SetRoles('Isla', ['owner']), new SetRoles('Ada', ['reader'])] as $change) {
            $ripple = $this->site->plan($change);
            self::assertStringContainsString('Only an owner', (string) $this->refusal($ripple, may: Right::cases()));
            (new WithinRights($this->site->access->rightsOf('Greta'), new MemoryMarks($this->site)))->guard($ripple);
        }
    }

    private function said(SiteAccess $access, string $who, ?string $branch, Right $right, Says $says): SiteAccess
    {
        return $access->says(Who::read($who, 'who'), $right->isOfSite() ? null : $branch, $right, $says, 'lines.0');
    }

    /** @return iterable<string, array{Change, string|null}> as somebody whose branch is Travel */
    public static function changesFromABranch(): iterable
    {
        yield 'makes a page inside' => [new Make('New', PageName::of('New'), Place::lastIn('Travel'), null), null];
        yield 'makes a page further inside' => [new Make('New', PageName::of('New'), Place::lastIn('Ideas'), null), null];
        yield 'makes a page beside the branch' => [new Make('New', PageName::of('New'), Place::after('Travel'), null), '“make and move”'];
        yield 'makes a page elsewhere' => [new Make('New', PageName::of('New'), Place::lastIn('Help'), null), '“make and move”'];
        yield 'renames a draft inside' => [new Rename('Inside', PageName::of('Thoughts')), null];
        yield 'renames a draft elsewhere' => [new Rename('Plans', PageName::of('Thoughts')), '“make and move”'];
        yield 'moves a draft about inside' => [new Move('Inside', Place::lastIn('Travel')), null];
        yield 'moves a draft out' => [new Move('Ideas', Place::lastIn('Help')), '“make and move”'];
        yield 'takes a draft of others in' => [new Move('Plans', Place::lastIn('Travel')), '“make and move”'];
        yield 'duplicates a page of others where it stands' => [new Duplicate('Plans', 'Copy'), '“make and move”'];
        yield 'duplicates a page of others into the branch' => [new Duplicate('Plans', 'Copy', Scope::Page, Place::lastIn('Travel')), null];
        yield 'discards a draft of others' => [new PutInBin('Plans'), '“make and move”'];
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
        $marks = $this->createMock(Marks::class);
        $marks->expects(self::once())->method('around')->willReturnCallback((new MemoryMarks($this->site))->around(...));
        (new WithinRights($this->rights([Right::Structure], 'Travel'), $marks))->guard($this->site->planBatch($batch));
    }

    #[Test]
    public function taking_an_address_that_visitors_know_is_not_theirs(): void
    {
        $this->site->apply(new SetSlug('Times', Slug::of('timetables')));
        $wish = new Batch(
            [new SetSlug('Ideas', Slug::of('times'))],
            Decisions::of(Decision::giveWay(Address::set('/travel/times', $this->site->rules))),
        );
        self::assertStringContainsString('“addresses”', (string) $this->refusal($this->site->planBatch($wish)));
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
        self::assertStringContainsString('“menus”', (string) $this->refusal($this->site->planBatch($bin(Answer::Remove))));
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
            'pages' => array_map(
                static fn (Page $page): Page => $page->with([
                    'position' => 0,
                    'prepared' => null,
                    ...$page->isLive() ? [] : ['state' => PageState::Offline, 'reviewNote' => ''],
                ]),
                $known,
            ),
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
        $around = $root === null ? [] : (new MemoryMarks($site))->around(array_map(strval(...), array_keys($site->pages)), [$root]);

        return array_map(
            static fn (Page $page): Page => $page->with(['position' => 0]),
            array_filter($site->pages, static fn (Page $page): bool => $root !== null && ($around[$page->id] ?? []) === []),
        );
    }

    /** @param  list<Right>  $may  besides seeing */
    private function refusal(
        Ripple $ripple,
        ?string $root = null,
        ?MemorySite $site = null,
        array $may = [Right::Write, Right::Structure, Right::Fields],
    ): ?string {
        try {
            (new WithinRights($this->rights($may, $root), new MemoryMarks($site ?? $this->site)))->guard($ripple);
        } catch (BeyondRights $beyond) {
            return $beyond->getMessage();
        }

        return null;
    }

    /** @param  list<Right>  $may  in the branch, or on the whole site */
    private function rights(array $may, ?string $root): RightsOfPerson
    {
        $line = static fn (Right $right, ?string $branch): Line => new Line(Who::role('writer'), $branch, $right, Says::Allow);

        return RightsOfPerson::of(new Person('Isla', 'Isla', ['writer']), [
            $line(Right::See, null),
            ...array_map(static fn (Right $right): Line => $line($right, $right->isOfSite() ? null : $root), $may),
        ]);
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
