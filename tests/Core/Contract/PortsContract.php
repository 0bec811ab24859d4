<?php

declare(strict_types=1);

namespace Tests\Core\Contract;

use Heronstem\Core\Access\Marks;
use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\AddressShift;
use Heronstem\Core\Address\Slug;
use Heronstem\Core\Change\AddAddress;
use Heronstem\Core\Change\ArrangeMenu;
use Heronstem\Core\Change\Change;
use Heronstem\Core\Change\ChangeKind;
use Heronstem\Core\Change\Describe;
use Heronstem\Core\Change\GoLive;
use Heronstem\Core\Change\LeaveOutOfAddresses;
use Heronstem\Core\Change\Make;
use Heronstem\Core\Change\MakeMenu;
use Heronstem\Core\Change\MakeRedirect;
use Heronstem\Core\Change\Move;
use Heronstem\Core\Change\Pin;
use Heronstem\Core\Change\PlaceMenu;
use Heronstem\Core\Change\PutInBin;
use Heronstem\Core\Change\RemoveAddress;
use Heronstem\Core\Change\Schedule;
use Heronstem\Core\Change\SendForReview;
use Heronstem\Core\Change\SetBranchSearch;
use Heronstem\Core\Change\SetSearch;
use Heronstem\Core\Change\SetStartPage;
use Heronstem\Core\Change\Tag;
use Heronstem\Core\Change\UnlistPage;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Ledger\Ledger;
use Heronstem\Core\Linking\Target;
use Heronstem\Core\Menu\Audience;
use Heronstem\Core\Menu\BranchContents;
use Heronstem\Core\Menu\BranchOrder;
use Heronstem\Core\Menu\Entry;
use Heronstem\Core\Menu\EntryKind;
use Heronstem\Core\Menu\Hidden;
use Heronstem\Core\Menu\MenuKind;
use Heronstem\Core\Menu\MenuPage;
use Heronstem\Core\Menu\MenuPages;
use Heronstem\Core\Menu\Menus;
use Heronstem\Core\Moment;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Redirect\RuleReader;
use Heronstem\Core\Redirect\Rules;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageKind;
use Heronstem\Core\Tree\PageName;
use Heronstem\Core\Tree\Pages;
use Heronstem\Core\Tree\PageState;
use Heronstem\Core\Tree\PersonAtPage;
use Heronstem\Core\Tree\PersonRole;
use Heronstem\Core\Workspace\Place;
use PHPUnit\Framework\Attributes\Test;
use Tests\Core\Memory\MemorySite;

/** What every implementation of the structure's ports keeps to, in memory or stored. */
trait PortsContract
{
    private const HELP = '01J00000000000000000000001';

    private const TIMES = '01J00000000000000000000002';

    private const SUMMER = '01J00000000000000000000003';

    private const TRAVEL = '01J00000000000000000000004';

    abstract protected function pages(): Pages;

    abstract protected function ledger(): Ledger;

    abstract protected function menus(): Menus;

    /** As they are at this moment. */
    abstract protected function menuPages(): MenuPages;

    abstract protected function redirects(): Rules;

    abstract protected function marks(): Marks;

    /** Tells the site that somebody has something on a page. */
    abstract protected function somebodyAt(PersonAtPage $person): void;

    abstract protected function carryOut(Change ...$changes): mixed;

    private function givenASite(): void
    {
        $this->carryOut(
            new Make(self::HELP, PageName::of('Help'), Place::lastIn(null)),
            new Make(self::TIMES, PageName::of('Times'), Place::lastIn(self::HELP)),
            new Make(self::SUMMER, PageName::of('Summer'), Place::lastIn(self::TIMES)),
            new Make(self::TRAVEL, PageName::of('Travel'), Place::lastIn(null)),
            new GoLive(self::TIMES),
        );
    }

    #[Test]
    public function a_branch_for_menus_holds_what_visitors_get_parents_first_in_order(): void
    {
        $this->givenASite();
        self::assertSame([], $this->names($this->menuPages()->below(null, 3)), 'A live page below a draft is not come by.');
        $this->carryOut(new GoLive(self::HELP), new GoLive(self::TRAVEL), new Move(self::TRAVEL, Place::firstIn(null)));
        self::assertSame(['Travel', 'Help'], $this->names($this->menuPages()->below(null, 1)));
        self::assertEqualsCanonicalizing(['Travel', 'Help', 'Times'], $this->names($this->menuPages()->below(null, 2)));
        self::assertSame(['Times'], $this->names($this->menuPages()->below(self::HELP, 1)));
        $this->carryOut(new UnlistPage(self::TIMES), new GoLive(self::SUMMER));
        self::assertSame(
            ['Times', 'Summer'],
            $this->names($this->menuPages()->below(self::HELP, 2)),
            'Unlisted pages are there, for branches that let them in.',
        );
        $this->carryOut(new SetStartPage(self::TRAVEL));
        self::assertSame(['Help'], $this->names($this->menuPages()->below(null, 1)), 'The start page stands in no branch from the top.');
    }

    #[Test]
    public function a_page_for_menus_says_where_it_leads_and_why_it_is_hidden(): void
    {
        $this->givenASite();
        $pages = $this->menuPages()->pages([self::TIMES, self::HELP, '01J00000000000000000000009']);
        self::assertCount(2, $pages);
        self::assertSame(
            [null, '/help/times', 'Times', true],
            [$pages[self::TIMES]->hidden, $pages[self::TIMES]->href, $pages[self::TIMES]->name, $pages[self::TIMES]->listed],
        );
        self::assertSame([Hidden::Draft, null], [$pages[self::HELP]->hidden, $pages[self::HELP]->when]);
        $this->carryOut(
            new ChangeKind(self::TRAVEL, PageKind::Pointer, Target::url('https://tides.example/')),
            new Schedule(self::HELP, Moment::at(4_000_000_000), null),
        );
        $pages = $this->menuPages()->pages([self::HELP, self::TRAVEL]);
        self::assertSame([Hidden::NotYet, 4_000_000_000], [$pages[self::HELP]->hidden, $pages[self::HELP]->when?->seconds]);
    }

    #[Test]
    public function menus_are_read_as_they_were_arranged(): void
    {
        $this->givenASite();
        $menu = '01J0000000000000000000MEN1';
        $entries = [
            new Entry(
                '01J0000000000000000000ENT1',
                null,
                0,
                EntryKind::Page,
                Target::page(self::TIMES),
                'When',
                'All year',
                true,
                Audience::of('crew'),
                Moment::at(1_900_000_000),
                Moment::at(1_900_000_900),
            ),
            new Entry(
                '01J0000000000000000000ENT2',
                '01J0000000000000000000ENT1',
                0,
                EntryKind::Branch,
                Target::page(self::HELP),
                contents: new BranchContents(3, BranchOrder::Alphabet, [self::SUMMER], [self::TRAVEL]),
            ),
            new Entry('01J0000000000000000000ENT3', null, 1, EntryKind::Url, Target::url('https://tides.example/'), 'Tides'),
            new Entry('01J0000000000000000000ENT4', null, 2, EntryKind::Separator),
            new Entry('01J0000000000000000000ENT5', null, 3, EntryKind::Branch, null, contents: new BranchContents(1)),
        ];
        $this->carryOut(
            new MakeMenu($menu, PageName::of('Footer'), MenuKind::Menu),
            new PlaceMenu($menu, 'footer'),
            new ArrangeMenu($menu, $entries),
        );
        $read = $this->menus()->all()[$menu];
        self::assertSame(['Footer', 'footer'], [$read->name, $read->place]);
        self::assertSame(
            array_map(static fn (Entry $entry): array => $entry->toArray(), $entries),
            array_values(array_map(static fn (Entry $entry): array => $entry->toArray(), $this->byIdentity($read->entries))),
        );
    }

    /**
     * @param  array<string, Entry>  $entries
     * @return array<string, Entry>
     */
    private function byIdentity(array $entries): array
    {
        ksort($entries);

        return $entries;
    }

    /**
     * @param  iterable<MenuPage>  $pages
     * @return list<string>
     */
    private function names(iterable $pages): array
    {
        $names = [];
        foreach ($pages as $page) {
            $names[] = $page->name;
        }

        return $names;
    }

    #[Test]
    public function a_page_is_read_as_it_was_left(): void
    {
        $this->givenASite();
        $page = $this->pages()->page(self::TIMES);
        self::assertSame(
            [self::HELP, 'Times', 'times', '/help/times', true, false],
            [$page?->parent, $page?->name, $page?->slug->text, $page?->address->path, $page?->isLive(), $page?->slugByHand],
        );
        self::assertNull($this->pages()->page('01J00000000000000000000009'));
    }

    #[Test]
    public function a_branch_holds_the_page_and_all_below_parents_first(): void
    {
        $this->givenASite();
        $ids = [];
        foreach ($this->pages()->branch(self::HELP) as $page) {
            $ids[] = $page->id;
        }
        self::assertSame([self::HELP, self::TIMES, self::SUMMER], $ids);
    }

    #[Test]
    public function a_moved_branch_is_read_in_its_new_place(): void
    {
        $this->givenASite();
        $this->carryOut(new Move(self::TIMES, Place::lastIn(self::TRAVEL)));
        self::assertSame([], $this->pages()->childOrder(self::HELP));
        self::assertSame('/travel/times/summer', $this->pages()->page(self::SUMMER)?->address->path);
        $ids = [];
        foreach ($this->pages()->branch(self::TRAVEL) as $page) {
            $ids[] = $page->id;
        }
        self::assertSame([self::TRAVEL, self::TIMES, self::SUMMER], $ids);
    }

    #[Test]
    public function what_a_branch_takes_along_is_told_in_few_words_with_what_is_at_its_addresses(): void
    {
        $this->givenASite();
        $rules = new AddressRules();
        $this->carryOut(new Move(self::HELP, Place::lastIn(self::TRAVEL)));
        $this->carryOut(
            new Pin(self::SUMMER, Address::set('/sun', $rules)),
            new Make('01J00000000000000000000005', PageName::of('Été (%) 1'), Place::lastIn(self::TIMES), Slug::of('été')),
            new Make('01J00000000000000000000006', PageName::of('Said'), Place::lastIn(self::HELP)),
            new SetSearch('01J00000000000000000000006', ['canonical' => self::TIMES]),
            new Make('01J00000000000000000000007', PageName::of('Left'), Place::lastIn(self::HELP)),
            new ChangeKind('01J00000000000000000000007', PageKind::Section),
            new LeaveOutOfAddresses('01J00000000000000000000007'),
            new Make('01J00000000000000000000008', PageName::of('Binned'), Place::lastIn(self::HELP)),
            new PutInBin('01J00000000000000000000008'),
            new Make('01J00000000000000000000009', PageName::of('In the way'), Place::lastIn(self::HELP)),
            AddAddress::sendingOn(self::TRAVEL, Address::set('/help/in-the-way', $rules)),
        );
        $shift = AddressShift::between(Address::stored('/travel/help', $rules), Address::stored('/help', $rules), $rules);
        self::assertNotNull($shift);

        $told = [...$this->pages()->carried(self::HELP, $shift)];

        $expected = [];
        foreach ($this->pages()->branch(self::HELP) as $page) {
            if ($page->id !== self::HELP) {
                $claims = $this->ledger()->claimsOn(array_values(array_filter([$page->address, $shift->of($page->address)])));
                $expected[$page->id] = MemorySite::carriedPage($page, $claims, $shift);
            }
        }
        self::assertEquals($expected, array_column($told, null, 'id'));
        self::assertSame(self::TIMES, $told[0]->id);
        self::assertTrue($told[0]->isPlain && $told[0]->comesBack, 'Its next address leads to it already.');
        $plain = array_column($told, 'isPlain', 'id');
        ksort($plain);
        self::assertSame([true, false, true, false, false, false], array_values($plain));
    }

    #[Test]
    public function a_page_lies_in_the_branches_around_it_nearest_first_wherever_they_have_been_moved(): void
    {
        $this->givenASite();
        $all = [self::HELP, self::TIMES, self::SUMMER, self::TRAVEL, '01J00000000000000000000009'];
        $marks = $this->marks();
        $around = [self::HELP => [], self::TIMES => [self::TIMES], self::SUMMER => [self::SUMMER, self::TIMES], self::TRAVEL => []];
        self::assertEquals($around, $marks->around($all, [self::TIMES, self::SUMMER]));
        $this->carryOut(new Move(self::SUMMER, Place::lastIn(self::TRAVEL)));
        self::assertEquals([self::TIMES => [self::TIMES], self::SUMMER => []], $marks->around([self::TIMES, self::SUMMER], [self::TIMES]));
        $this->carryOut(new Move(self::TRAVEL, Place::lastIn(self::TIMES)));
        self::assertEquals([self::SUMMER => [self::TRAVEL, self::TIMES]], $marks->around([self::SUMMER], [self::TIMES, self::TRAVEL]));
        self::assertSame([self::TRAVEL], array_keys($marks->childOrder(self::TIMES)));
        self::assertSame([self::HELP], array_keys($marks->childOrder(null)));
        self::assertSame([], $marks->around([], [self::TIMES]));
    }

    #[Test]
    public function who_has_something_on_pages_is_found_by_page(): void
    {
        $this->givenASite();
        $writes = new PersonAtPage(self::TIMES, 'Isla', PersonRole::UnsavedContent);
        $branch = new PersonAtPage(self::HELP, 'Tam', PersonRole::Branch);
        $this->somebodyAt($writes);
        $this->somebodyAt($branch);
        self::assertEquals([$writes], array_values([...$this->pages()->peopleAt([self::TIMES, self::SUMMER])]));
        self::assertEqualsCanonicalizing([$writes, $branch], array_values([...$this->pages()->peopleAt([self::HELP, self::TIMES])]));
        self::assertSame([], [...$this->pages()->peopleAt([self::TRAVEL])]);
        self::assertSame([], [...$this->pages()->peopleAt([])]);
    }

    #[Test]
    public function pages_that_set_something_for_their_branch_are_found_while_they_are_in_the_tree(): void
    {
        $this->givenASite();
        self::assertSame([], $this->pages()->settingBranches());
        $this->carryOut(new SetBranchSearch(self::HELP, ['titlePattern' => '{name} · {parent}']), new SetBranchSearch(self::TRAVEL, ['index' => false]));
        self::assertEqualsCanonicalizing([self::HELP, self::TRAVEL], $this->pages()->settingBranches());
        $this->carryOut(new SetBranchSearch(self::HELP, ['titlePattern' => null]));
        self::assertSame([self::TRAVEL], $this->pages()->settingBranches());
        $this->carryOut(new PutInBin(self::TRAVEL));
        self::assertSame([], $this->pages()->settingBranches());
    }

    #[Test]
    public function children_come_in_order(): void
    {
        $this->givenASite();
        self::assertSame([self::HELP, self::TRAVEL], array_keys($this->pages()->childOrder(null)));
        $this->carryOut(new Move(self::TRAVEL, Place::before(self::HELP)));
        self::assertSame([self::TRAVEL, self::HELP], array_keys($this->pages()->childOrder(null)));
    }

    #[Test]
    public function children_of_several_pages_come_in_the_same_order_at_once(): void
    {
        $this->givenASite();
        $this->carryOut(new Move(self::TRAVEL, Place::before(self::TIMES)));
        $this->carryOut(new PutInBin(self::SUMMER));
        $pages = [self::HELP, self::TIMES, self::TRAVEL, '01J00000000000000000000009'];
        $orders = array_filter($this->pages()->childOrders($pages));
        self::assertSame([self::HELP], array_keys($orders));
        self::assertSame([self::TRAVEL, self::TIMES], array_keys($orders[self::HELP]));
        self::assertSame($this->pages()->childOrder(self::HELP), $orders[self::HELP]);
    }

    #[Test]
    public function the_ledger_answers_by_key_and_by_page(): void
    {
        $this->givenASite();
        $this->carryOut(new Move(self::TIMES, Place::lastIn(self::TRAVEL)));
        $rules = new AddressRules();
        $claims = $this->ledger()->claimsOn([
            Address::asked('/HELP/times', $rules),
            Address::asked('/travel/times', $rules),
            Address::asked('/nobody', $rules),
        ]);
        self::assertEqualsCanonicalizing(['/help/times', '/travel/times'], array_keys($claims));
        self::assertSame(
            [ClaimKind::Redirect, self::TIMES, true],
            [$claims['/help/times']->kind, $claims['/help/times']->page, $claims['/help/times']->everLive],
        );
        self::assertTrue($claims['/travel/times']->isPageOf(self::TIMES));
        self::assertCount(2, [...$this->ledger()->claimsAbout([self::TIMES])]);
        self::assertCount(3, [...$this->ledger()->claimsAbout([self::TIMES, self::SUMMER])]);
    }

    #[Test]
    public function what_is_put_in_the_bin_is_known_and_stands_nowhere(): void
    {
        $this->givenASite();
        $this->carryOut(new PutInBin(self::SUMMER));
        self::assertSame(
            [PageState::Binned, PageState::Draft, self::SUMMER, self::TIMES],
            [
                $this->pages()->page(self::SUMMER)?->state,
                $this->pages()->page(self::SUMMER)?->was,
                $this->pages()->page(self::SUMMER)?->bin,
                $this->pages()->page(self::SUMMER)?->parent,
            ],
        );
        self::assertSame([], $this->pages()->childOrder(self::TIMES));
        self::assertSame([self::HELP, self::TIMES], $this->ids($this->pages()->branch(self::HELP)));
        self::assertSame([self::SUMMER], $this->ids($this->pages()->branch(self::SUMMER)));
        self::assertSame([self::SUMMER], $this->ids($this->pages()->binnedBelow(self::HELP)));
        self::assertSame([], $this->ids($this->pages()->binnedBelow(self::TRAVEL)));
        $claim = [...$this->ledger()->claimsAbout([self::SUMMER])][0] ?? [...$this->ledger()->claimsAbout([self::SUMMER])]['/help/times/summer'];
        self::assertSame([ClaimKind::Bin, null, self::SUMMER, false], [$claim->kind, $claim->page, $claim->heldFor, $claim->everLive]);
    }

    #[Test]
    public function pages_are_read_with_all_above_them_in_one_go(): void
    {
        $this->givenASite();
        self::assertEqualsCanonicalizing(
            [self::HELP, self::TIMES, self::SUMMER, self::TRAVEL],
            array_values(array_unique($this->ids($this->pages()->withAncestors([self::SUMMER, self::TRAVEL, '01J00000000000000000000009'])))),
        );
    }

    #[Test]
    public function kind_target_schedule_and_what_else_a_page_has_are_read_as_they_were_left(): void
    {
        $this->givenASite();
        $from = Moment::at(2_000_000_000);
        $until = Moment::at(2_000_086_400);
        $this->carryOut(
            new ChangeKind(self::TRAVEL, PageKind::Pointer, Target::page(self::TIMES)),
            new Schedule(self::TRAVEL, $from, $until),
            new UnlistPage(self::TRAVEL),
            new SendForReview(self::TRAVEL, 'Look'),
        );
        $this->carryOut(new ChangeKind(self::HELP, PageKind::Section), new LeaveOutOfAddresses(self::HELP));
        $page = $this->pages()->page(self::TRAVEL);
        self::assertEquals(
            [PageKind::Pointer, Target::page(self::TIMES), $from, $until, false, PageState::InReview, 'Look'],
            [$page?->kind, $page?->leadsTo, $page?->from, $page?->until, $page?->listed, $page?->state, $page?->reviewNote],
        );
        $this->carryOut(new Tag(self::TRAVEL, ['a “b”', 'winter']), new Describe(self::TRAVEL, showing: ['reload' => 9]));
        self::assertSame(['a “b”', 'winter'], $this->pages()->page(self::TRAVEL)?->tags->all);
        self::assertSame(9, $this->pages()->page(self::TRAVEL)->showing->reload);
        self::assertSame([self::TRAVEL], $this->ids($this->pages()->tagged('a “b”')));
        self::assertSame([], $this->ids($this->pages()->tagged('a')));
        self::assertSame([true, '/times/summer'], [$this->pages()->page(self::HELP)?->leftOut, $this->pages()->page(self::SUMMER)?->address->path]);
    }

    #[Test]
    public function further_addresses_gone_ones_and_the_start_page_are_kept(): void
    {
        $this->givenASite();
        $rules = new AddressRules();
        $poster = Address::set('/poster', $rules);
        $this->carryOut(AddAddress::serving(self::TIMES, $poster));
        self::assertSame(
            [ClaimKind::Also, true],
            [$this->ledger()->claimsOn([$poster])['/poster']->kind, $this->ledger()->claimsOn([$poster])['/poster']->everLive],
        );
        $this->carryOut(new RemoveAddress(self::TIMES, $poster));
        self::assertSame(
            [ClaimKind::Gone, null],
            [$this->ledger()->claimsOn([$poster])['/poster']->kind, $this->ledger()->claimsOn([$poster])['/poster']->page],
        );
        $this->carryOut(new SetStartPage(self::TIMES));
        self::assertSame(['/', '/summer'], [$this->pages()->page(self::TIMES)?->address->path, $this->pages()->page(self::SUMMER)?->address->path]);
    }

    /**
     * @param  iterable<Page>  $pages
     * @return list<string>
     */
    private function ids(iterable $pages): array
    {
        $ids = [];
        foreach ($pages as $page) {
            $ids[] = $page->id;
        }

        return $ids;
    }

    #[Test]
    public function redirects_are_found_by_name_by_address_and_by_where_they_lead(): void
    {
        $this->givenASite();
        $read = static fn (string $id, array $fields): Change => new MakeRedirect(
            (new RuleReader(new AddressRules(), 'UTC'))->read(['id' => $id] + $fields),
        );
        $this->carryOut(
            $read('01J000000000000000000000R1', ['source' => '/Dogs', 'leadsTo' => ['page' => self::HELP], 'note' => 'Poster']),
            $read('01J000000000000000000000R2', [
                'source' => '/old',
                'scope' => 'branch',
                'leadsTo' => ['address' => '/dogs'],
                'until' => '2099-01-01T00:00:00Z',
            ]),
            $read('01J000000000000000000000R3', [
                'source' => '/n/:y',
                'scope' => 'pattern',
                'answer' => 'pause',
                'leadsTo' => ['url' => 'https://x.example/:y'],
                'pause' => ['seconds' => 3, 'message' => ['type' => 'doc', 'content' => []]],
            ]),
            $read('01J000000000000000000000R4', ['source' => '/offer?id=3', 'query' => 'match', 'answer' => '410']),
        );
        $rules = $this->redirects();
        $sources = static fn (iterable $found): array => array_map(static fn (Rule $rule): string => $rule->source, array_values([...$found]));
        self::assertSame(['/Dogs'], $sources($rules->named(['01J000000000000000000000R1', '01J000000000000000000000R9'])));
        self::assertSame(['/dogs'], array_keys($rules->claiming(['/dogs', '/old', '/nobody'])));
        self::assertEqualsCanonicalizing(['/old', '/n/:y', '/offer'], $sources($rules->withoutClaim()));
        self::assertSame(['/Dogs'], $sources($rules->leadingTo([self::HELP, self::TRAVEL])));
        self::assertSame(['/old'], $sources($rules->leadingToAddresses(['/dogs', '/nobody'])));
        self::assertSame([], $sources($rules->leadingToAddresses([])));
        [$pattern] = array_values($rules->named(['01J000000000000000000000R3']));
        self::assertSame([3, 1, 'https://x.example/:y'], [$pattern->pause?->seconds, $pattern->position, $pattern->target?->value]);
        self::assertSame('2099-01-01T00:00:00Z', $rules->named(['01J000000000000000000000R2'])['01J000000000000000000000R2']->until?->iso());
    }
}
