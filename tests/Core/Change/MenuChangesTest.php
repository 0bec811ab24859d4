<?php

declare(strict_types=1);

namespace Tests\Core\Change;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Change\AddAddress;
use Heronstem\Core\Change\AddToMenu;
use Heronstem\Core\Change\ArrangeMenu;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\DeleteForGood;
use Heronstem\Core\Change\MakeMenu;
use Heronstem\Core\Change\Move;
use Heronstem\Core\Change\PlaceMenu;
use Heronstem\Core\Change\PutInBin;
use Heronstem\Core\Change\RemoveFromMenu;
use Heronstem\Core\Change\RemoveMenu;
use Heronstem\Core\Decision\Answer;
use Heronstem\Core\Decision\Decision;
use Heronstem\Core\Decision\Decisions;
use Heronstem\Core\Decision\NoteKind;
use Heronstem\Core\Decision\QuestionKind;
use Heronstem\Core\Linking\Target;
use Heronstem\Core\Menu\BranchContents;
use Heronstem\Core\Menu\Entry;
use Heronstem\Core\Menu\EntryKind;
use Heronstem\Core\Menu\MenuChecks;
use Heronstem\Core\Menu\MenuFinding;
use Heronstem\Core\Menu\MenuKind;
use Heronstem\Core\Menu\MenuPlace;
use Heronstem\Core\Menu\MenuResolver;
use Heronstem\Core\Menu\Viewer;
use Heronstem\Core\Moment;
use Heronstem\Core\Redirect\AddressHolder;
use Heronstem\Core\Redirect\AddressLookup;
use Heronstem\Core\Redirect\AnsweringPage;
use Heronstem\Core\Redirect\Resolver;
use Heronstem\Core\Ripple\MenuEffectKind;
use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Tree\PageName;
use Heronstem\Core\Workspace\Place;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\MemorySite;
use Tests\Core\Memory\RefusesChanges;

/** Menus are changed like everything else: shown before, applied at once, undone exactly. */
final class MenuChangesTest extends TestCase
{
    use RefusesChanges;

    private const FOOT = '01J000000000000000000FOOT1';

    private const CARDS = '01J00000000000000000CARDS1';

    protected function setUp(): void
    {
        $this->site = new MemorySite();
        $this->site->live('Travel');
        $this->site->live('Times', 'Travel');
        $this->site->live('Help');
        $this->site->apply(
            new MakeMenu(self::FOOT, PageName::of('Footer'), MenuKind::Menu),
            new PlaceMenu(self::FOOT, 'footer'),
            new MakeMenu(self::CARDS, PageName::of('Cards'), MenuKind::Picks),
            new PlaceMenu(self::CARDS, 'front'),
        );
    }

    #[Test]
    public function an_arranged_menu_says_what_appears_vanishes_moves_and_is_relabelled_and_goes_back(): void
    {
        $this->arrange(self::FOOT, $this->page('a', 'Travel', 0), $this->page('b', 'Help', 1), $this->page('c', 'Times', 2));
        $before = $this->site->snapshot();
        $ripple = $this->arrange(
            self::FOOT,
            $this->page('c', 'Times', 0)->with(['parent' => 'b']),
            $this->page('b', 'Help', 1)->with(['label' => 'Questions']),
            new Entry('d', null, 2, EntryKind::Url, Target::url('https://tides.example/'), 'Tides'),
        );
        self::assertSame(
            [['vanishes', 'Travel', null], ['relabels', 'Questions', null], ['moves', 'Times', 'Questions'], ['appears', 'Tides', null]],
            $this->effects($ripple),
        );
        $this->site->undo($ripple);
        self::assertSame($before, $this->site->snapshot());
    }

    #[Test]
    public function a_page_moved_within_the_tree_stays_where_it_was_put_by_hand_and_that_is_offered_to_be_changed(): void
    {
        $this->arrange(self::FOOT, $this->page('a', 'Times', 0));
        $ripple = $this->site->plan(new Move('Times', Place::lastIn('Help')));
        self::assertSame(
            [QuestionKind::MenuEntries, 1, Answer::Leave, false],
            [
                $ripple->toDecide->questions[0]->kind,
                $ripple->toDecide->questions[0]->count,
                $ripple->toDecide->questions[0]->default,
                $ripple->toDecide->questions[0]->isOpen(),
            ],
        );
        self::assertSame([['moves', 'Times', 'Help']], $this->effects($ripple), 'In the main menu, which is filled from the tree.');
        $taken = $this->site->planBatch(
            new Batch(
                [new Move('Times', Place::lastIn('Help'))],
                Decisions::of(Decision::answer(QuestionKind::MenuEntries, 'Times', Answer::Remove)),
            ),
        );
        $this->site->carryOut($taken);
        self::assertSame([], $this->site->menus[self::FOOT]->entries);
    }

    #[Test]
    public function a_retired_page_leaves_its_entry_waiting_and_one_emptied_takes_it_along_and_brings_it_back(): void
    {
        $this->arrange(self::FOOT, $this->page('a', 'Times', 0), $this->page('b', 'Help', 1)->with(['parent' => 'a', 'position' => 0]));
        $bin = $this->site->carryOut($this->site->planBatch(new Batch([new PutInBin('Times')], Decisions::elseDefaults())));
        self::assertContains(['vanishes', 'Times', null], $this->effects($bin));
        self::assertArrayHasKey('a', $this->site->menus[self::FOOT]->entries);
        $before = $this->site->snapshot();
        $emptied = $this->site->apply(new DeleteForGood('Times'));
        self::assertSame(
            [null],
            array_map(static fn (Entry $entry): ?string => $entry->parent, array_values($this->site->menus[self::FOOT]->entries)),
            'What stood under it takes its place.',
        );
        $this->site->undo($emptied);
        self::assertSame($before, $this->site->snapshot());
    }

    #[Test]
    public function a_page_put_into_a_menu_undoes_the_exception_or_gets_an_entry_and_taken_out_the_reverse(): void
    {
        $this->site->apply(new RemoveFromMenu('Times', MemorySite::MAIN));
        self::assertSame(['Times'], $this->site->menus[MemorySite::MAIN]->entries[MemorySite::BAR]->contents?->out);
        $back = $this->site->apply(new AddToMenu('Times', MemorySite::MAIN));
        self::assertSame([['appears', 'Times', 'Travel']], $this->effects($back));
        self::assertCount(1, $this->site->menus[MemorySite::MAIN]->entries);
        $this->site->apply(new AddToMenu('Times', self::CARDS), new AddToMenu('Help', self::CARDS));
        self::assertSame(
            ['Times', 'Help'],
            array_map(static fn (Entry $entry): ?string => $entry->page(), $this->site->menus[self::CARDS]->under(null)),
        );
        $this->refused('changes.0.page', 'already', new AddToMenu('Times', self::CARDS));
        $this->site->apply(new RemoveFromMenu('Times', self::CARDS));
        $this->refused('changes.0.page', 'does not stand', new RemoveFromMenu('Times', self::CARDS));
        self::assertTrue($this->site->pages['Times']->isShown(), 'The page itself is untouched.');
    }

    #[Test]
    public function menus_trade_places_and_no_two_have_one_name(): void
    {
        $other = '01J00000000000000000ANTHER';
        $this->site->apply(new MakeMenu($other, PageName::of('Other'), MenuKind::Menu));
        $before = $this->site->snapshot();
        $swap = $this->site->apply(new PlaceMenu($other, 'footer'));
        self::assertSame(['footer', null], [$this->site->menus[$other]->place, $this->site->menus[self::FOOT]->place]);
        $this->site->undo($swap);
        self::assertSame($before, $this->site->snapshot());
        $this->refused('changes.0.name', 'There is a menu', new MakeMenu('01J000000000000000000NEW01', PageName::of('footer'), MenuKind::Menu));
        $this->refused('changes.0.place', 'no place', new PlaceMenu($other, 'ceiling'));
        $this->refused('changes.0.place', 'is for', new PlaceMenu($other, 'front'));
        $this->refused('changes.0.menu', 'There is no menu', new RemoveMenu('01J000000000000000000NEW01'));
    }

    #[Test]
    public function a_removed_menu_comes_back_with_its_entries_and_its_place(): void
    {
        $this->arrange(self::FOOT, $this->page('a', 'Times', 0));
        $before = $this->site->snapshot();
        $removed = $this->site->apply(new RemoveMenu(self::FOOT));
        self::assertSame([['vanishes', 'Times', null]], $this->effects($removed));
        $this->site->undo($removed);
        self::assertSame($before, $this->site->snapshot());
    }

    #[Test]
    public function of_a_menu_that_has_changed_again_only_what_has_not_goes_back_and_that_is_said(): void
    {
        $first = $this->arrange(self::FOOT, $this->page('a', 'Times', 0), $this->page('b', 'Help', 1));
        $this->arrange(
            self::FOOT,
            $this->page('a', 'Times', 0)->with(['label' => 'Boats']),
            $this->page('b', 'Help', 1),
            $this->page('c', 'Travel', 2),
        );
        $back = $this->site->undo($first);
        self::assertSame(['a', 'c'], array_keys($this->site->menus[self::FOOT]->entries));
        self::assertSame(NoteKind::MenuStays, $back->toDecide->notes[0]->kind);
    }

    #[Test]
    public function an_arrangement_of_a_version_that_is_no_more_is_refused(): void
    {
        $version = $this->site->menus[self::FOOT]->version();
        $this->arrange(self::FOOT, $this->page('a', 'Times', 0));
        $this->refused('changes.0.basedOn', 'Somebody changed', new ArrangeMenu(self::FOOT, [$this->page('b', 'Help', 0)], $version));
        $this->refused('changes.0.entries', 'already', new ArrangeMenu(self::FOOT, [$this->page('a', 'Times', 0)]));
        $this->refused('changes.0.entries.0.page', 'There is no page', new ArrangeMenu(self::FOOT, [$this->page('b', 'Nobody', 0)]));
        $this->refused(
            'changes.0.entries.0.kind',
            'Picks are pages',
            new ArrangeMenu(self::CARDS, [new Entry('h', null, 0, EntryKind::Heading, null, 'x')]),
        );
        $this->refused('changes.0.entries.0.id', 'belongs to an entry', new ArrangeMenu(self::CARDS, [$this->page('a', 'Help', 0)]));
    }

    #[Test]
    public function a_menu_is_looked_over(): void
    {
        $this->site->draft('Plans');
        $this->arrange(
            self::FOOT,
            $this->page('a', 'Times', 0),
            $this->page('b', 'Times', 1),
            $this->page('c', 'Plans', 2),
            new Entry('d', null, 3, EntryKind::Heading, null, 'Nothing'),
            new Entry('e', null, 4, EntryKind::Address, Target::read('address', '/old', $this->site->rules), 'Old'),
            new Entry('f', null, 5, EntryKind::Address, Target::read('address', '/never', $this->site->rules), 'Never'),
            $this->page('g', 'Help', 6)->with(['label' => 'times']),
            new Entry('h', null, 7, EntryKind::Branch, Target::page('Travel'), contents: new BranchContents()),
            $this->page('i', 'Travel', 0)->with(['parent' => 'a']),
            $this->page('j', 'Help', 0)->with(['parent' => 'i']),
        );
        $this->site->apply(AddAddress::sendingOn('Help', Address::set('/old', $this->site->rules)));
        $found = $this->findings(new MenuPlace('footer', 'Footer', MenuKind::Menu, 2, 4));
        self::assertSame(
            [
                ['crowded', null],
                ['target-doubled', 'b'],
                ['label-doubled', 'g'],
                ['target-doubled', 'h'],
                ['target-doubled', 'j'],
                ['too-deep', 'j'],
                ['page-hidden', 'c'],
                ['blank', 'd'],
                ['redirect', 'e'],
                ['leads-nowhere', 'f'],
            ],
            array_map(static fn (MenuFinding $finding): array => [$finding->kind->value, $finding->entry], $found),
        );
        self::assertSame('Help', $found[8]->page, 'The way out of a detour is the page itself.');
    }

    /** @return list<MenuFinding> */
    private function findings(MenuPlace $place): array
    {
        $whole = (new MenuResolver($this->site, Moment::at($this->site->now), Viewer::anybody()))->whole($this->site->menus[self::FOOT]);
        $answers = new class($this->site) implements AddressLookup
        {
            public function __construct(private MemorySite $site)
            {
            }

            public function at(string $key): ?AddressHolder
            {
                $claim = $this->site->claims[$key] ?? null;

                return $claim === null
                    ? null
                    : new AddressHolder($claim->address->path, $claim->kind, $claim->page === null ? null : $this->page($claim->page));
            }

            public function page(string $id): ?AnsweringPage
            {
                $page = $this->site->pages[$id];

                return new AnsweringPage($page->id, $page->name, $page->address->path, $page->isLive(), $page->kind, $page->leadsTo);
            }

            public function firstInside(string $id): ?AnsweringPage
            {
                return null;
            }

            public function file(string $id): ?string
            {
                return null;
            }
        };

        return MenuChecks::of($whole, $place, new Resolver($this->site->rules, $answers));
    }

    private function arrange(string $menu, Entry ...$entries): Ripple
    {
        return $this->site->apply(new ArrangeMenu($menu, array_values($entries)));
    }

    private function page(string $id, string $page, int $position): Entry
    {
        return new Entry($id, null, $position, EntryKind::Page, Target::page($page));
    }

    /** @return list<array{string, string, string|null}> */
    private function effects(Ripple $ripple): array
    {
        return array_map(
            static fn ($effect): array => [$effect->kind->value, $effect->label, $effect->kind === MenuEffectKind::Vanishes ? null : $effect->under],
            $ripple->menusAndLinks->entries,
        );
    }
}
