<?php

declare(strict_types=1);

namespace Tests\Core\Menu;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Change\PutInBin;
use Heronstem\Core\Change\Schedule;
use Heronstem\Core\Change\SetStartPage;
use Heronstem\Core\Change\TakeOffline;
use Heronstem\Core\Change\UnlistPage;
use Heronstem\Core\Linking\Target;
use Heronstem\Core\Menu\Audience;
use Heronstem\Core\Menu\BranchContents;
use Heronstem\Core\Menu\BranchOrder;
use Heronstem\Core\Menu\Entry;
use Heronstem\Core\Menu\EntryKind;
use Heronstem\Core\Menu\Hidden;
use Heronstem\Core\Menu\Menu;
use Heronstem\Core\Menu\MenuKind;
use Heronstem\Core\Menu\MenuResolver;
use Heronstem\Core\Menu\ResolvedEntry;
use Heronstem\Core\Menu\Viewer;
use Heronstem\Core\Moment;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\MemorySite;

/** What somebody sees of a menu, and why they do not see the rest. */
final class MenuResolverTest extends TestCase
{
    use TestTrait;

    private const MAY = 1_809_324_000;

    private MemorySite $site;

    protected function setUp(): void
    {
        $this->site = new MemorySite();
        $this->site->live('Home');
        $this->site->apply(new SetStartPage('Home'));
        $this->site->live('Travel');
        $this->site->live('Times', 'Travel');
        $this->site->live('Fares', 'Travel');
        $this->site->live('Cars', 'Fares');
        $this->site->live('Help');
        $this->site->draft('Plans');
    }

    #[Test]
    public function a_branch_shows_what_is_live_and_listed_to_its_depth_and_not_the_start_page(): void
    {
        $menu = $this->site->menus[MemorySite::MAIN];
        self::assertSame(['Travel' => ['Times' => [], 'Fares' => []], 'Help' => []], $this->labels($menu));
        $this->site->apply(new UnlistPage('Help'), new TakeOffline('Times'));
        self::assertSame(['Travel' => ['Fares' => []]], $this->labels($menu));
        $this->site->apply(new TakeOffline('Travel'));
        self::assertSame([], $this->labels($menu), 'What stands below a page that is hidden is hidden with it.');
    }

    #[Test]
    public function a_branch_of_a_page_follows_its_order_or_the_alphabet_and_makes_exceptions(): void
    {
        $branch = fn (BranchContents $contents): Menu => $this->menu(
            new Entry('b', null, 0, EntryKind::Branch, Target::page('Travel'), contents: $contents),
        );
        self::assertSame(['Times', 'Fares'], array_keys($this->labels($branch(new BranchContents(1)))));
        self::assertSame(['Fares', 'Times'], array_keys($this->labels($branch(new BranchContents(1, BranchOrder::Alphabet)))));
        self::assertSame(['Times' => []], $this->labels($branch(new BranchContents(2, BranchOrder::Tree, ['Fares']))));
        $this->site->apply(new UnlistPage('Fares'));
        self::assertSame(['Times' => [], 'Fares' => ['Cars' => []]], $this->labels($branch(new BranchContents(2, BranchOrder::Tree, [], ['Fares']))));
        $whole = $this->whole($branch(new BranchContents(1, BranchOrder::Tree, ['Times'])));
        self::assertSame([Hidden::LeftOut], array_map(static fn (ResolvedEntry $entry): ?Hidden => $entry->hidden, $whole));
    }

    #[Test]
    public function a_branch_that_shows_nothing_is_one_blank_entry_for_managers_and_none_for_visitors(): void
    {
        $menu = $this->menu(new Entry('b', null, 0, EntryKind::Branch, Target::page('Help'), contents: new BranchContents()));
        self::assertSame([], $this->labels($menu));
        self::assertSame(
            [['Help', Hidden::Blank]],
            array_map(static fn (ResolvedEntry $entry): array => [$entry->label, $entry->hidden], $this->whole($menu)),
        );
    }

    #[Test]
    public function an_entry_takes_its_label_from_the_page_until_it_has_its_own(): void
    {
        self::assertSame(
            ['Travel', 'By sea'],
            array_keys($this->labels($this->menu($this->page('a', 'Travel', 0), $this->page('b', 'Travel', 1)->with(['label' => 'By sea'])))),
        );
    }

    /** @return iterable<string, array{\Closure(self): Entry, Hidden|null}> */
    public static function entries(): iterable
    {
        yield 'a live page' => [static fn (self $test): Entry => $test->page('e', 'Help'), null];
        yield 'a draft' => [static fn (self $test): Entry => $test->page('e', 'Plans'), Hidden::Draft];
        yield 'a page that is gone' => [static fn (self $test): Entry => $test->page('e', 'Nobody'), Hidden::Gone];
        yield 'for signed-in people' => [
            static fn (self $test): Entry => $test->page('e', 'Help')->with(['audience' => Audience::signedIn()]),
            Hidden::Audience,
        ];
        yield 'not yet' => [static fn (self $test): Entry => $test->page('e', 'Help')->with(['from' => Moment::at(self::MAY)]), Hidden::NotYet];
        yield 'over' => [static fn (self $test): Entry => $test->page('e', 'Help')->with(['until' => Moment::at(1_700_000_000)]), Hidden::Over];
        yield 'a URL' => [
            static fn (self $test): Entry => new Entry('e', null, 0, EntryKind::Url, Target::url('https://tides.example/'), 'Tides'),
            null,
        ];
        yield 'a file that is gone' => [
            static fn (self $test): Entry => new Entry('e', null, 0, EntryKind::File, Target::file('F'), 'Fares'),
            Hidden::Gone,
        ];
        yield 'a heading over nothing' => [static fn (self $test): Entry => new Entry('e', null, 0, EntryKind::Heading, null, 'More'), Hidden::Blank];
    }

    /** @param  \Closure(self): Entry  $entry */
    #[Test]
    #[DataProvider('entries')]
    public function an_entry_is_seen_or_says_why_not(\Closure $entry, ?Hidden $why): void
    {
        $menu = $this->menu($entry($this));
        self::assertSame($why, $this->whole($menu)[0]->hidden);
        self::assertCount($why === null ? 1 : 0, $this->labels($menu));
    }

    #[Test]
    public function a_page_that_waits_in_the_bin_or_is_unlisted_says_so(): void
    {
        $menu = $this->menu($this->page('a', 'Times', 0), $this->page('b', 'Help', 1));
        $this->site->planBatch(new \Heronstem\Core\Change\Batch([new PutInBin('Times')], \Heronstem\Core\Decision\Decisions::elseDefaults()));
        $this->site->carryOut(
            $this->site->planBatch(
                new \Heronstem\Core\Change\Batch([new PutInBin('Times'), new UnlistPage('Help')], \Heronstem\Core\Decision\Decisions::elseDefaults()),
            ),
        );
        self::assertSame([Hidden::Bin, Hidden::Unlisted], array_map(static fn (ResolvedEntry $entry): ?Hidden => $entry->hidden, $this->whole($menu)));
    }

    #[Test]
    public function a_scheduled_page_is_seen_from_its_moment_on_and_until_its_end(): void
    {
        $this->site->apply(new Schedule('Plans', Moment::at(self::MAY), Moment::at(self::MAY + 1000)));
        $menu = $this->menu($this->page('a', 'Plans'));
        self::assertSame([Hidden::NotYet, self::MAY], [$this->whole($menu)[0]->hidden, $this->whole($menu)[0]->when?->seconds]);
        $this->site->now = self::MAY;
        self::assertSame(['Plans' => []], $this->labels($menu));
        $this->site->now = self::MAY + 1000;
        self::assertSame(Hidden::Over, $this->whole($menu)[0]->hidden);
    }

    #[Test]
    public function entries_below_a_hidden_one_are_hidden_with_it(): void
    {
        $menu = $this->menu($this->page('a', 'Plans'), $this->page('b', 'Help')->with(['parent' => 'a']));
        self::assertSame([], $this->labels($menu));
        self::assertSame(Hidden::Above, $this->whole($menu)[0]->under[0]->hidden);
    }

    #[Test]
    public function separators_part_entries_and_never_stand_at_an_end_or_twice(): void
    {
        $line = static fn (string $id, int $position): Entry => new Entry($id, null, $position, EntryKind::Separator);
        $menu = $this->menu(
            $line('a', 0),
            $this->page('b', 'Help', 1),
            $line('c', 2),
            $this->page('d', 'Plans', 3),
            $line('e', 4),
            $this->page('f', 'Travel', 5),
            $line('g', 6),
        );
        self::assertSame(
            ['page', 'separator', 'page'],
            array_map(static fn (ResolvedEntry $entry): string => $entry->kind->value, $this->shown($menu)),
        );
    }

    #[Test]
    public function whom_an_entry_is_for_decides_who_sees_it(): void
    {
        $menu = $this->menu(
            $this->page('a', 'Help', 0)->with(['label' => 'all']),
            $this->page('b', 'Help', 1)->with(['label' => 'out', 'audience' => Audience::visitors()]),
            $this->page('c', 'Help', 2)->with(['label' => 'in', 'audience' => Audience::signedIn()]),
            $this->page('d', 'Help', 3)->with(['label' => 'crew', 'audience' => Audience::of('crew', 'board')]),
        );
        $sees = fn (Viewer $viewer): array => array_map(static fn (ResolvedEntry $entry): string => $entry->label, $this->shown($menu, $viewer));
        self::assertSame(['all', 'out'], $sees(Viewer::visitor()));
        self::assertSame(['all', 'in'], $sees(Viewer::signedIn('resident')));
        self::assertSame(['all', 'in', 'crew'], $sees(Viewer::signedIn('resident', 'crew')));
        self::assertSame(['all', 'out', 'in', 'crew'], $sees(Viewer::anybody()));
    }

    #[Test]
    public function an_audience_is_written_as_it_is_read(): void
    {
        $this->forAll(Generators::elements(['everyone', 'visitors', 'signed-in', 'roles:crew', 'roles:crew,islander']))->then(static function (
            string $text,
        ): void {
            self::assertSame($text, Audience::read($text)->toText());
        });
        foreach (['', 'roles:', 'roles:,', 'nobody', 'roles:<b>'] as $bad) {
            try {
                Audience::read($bad);
                self::fail("“{$bad}” was taken.");
            } catch (\Heronstem\Core\Refusal $refusal) {
                self::assertSame('audience', $refusal->field);
            }
        }
    }

    private function menu(Entry ...$entries): Menu
    {
        return new Menu('menu', 'A menu', MenuKind::Menu, null, array_column($entries, null, 'id'));
    }

    private function page(string $id, string $page, int $position = 0): Entry
    {
        return new Entry($id, null, $position, EntryKind::Page, Target::page($page));
    }

    /** @return array<string, mixed> labels of what a visitor sees, nested */
    private function labels(Menu $menu): array
    {
        $nest = static function (array $entries) use (&$nest): array {
            $labels = [];
            foreach ($entries as $entry) {
                $labels[$entry->label] = $nest($entry->under);
            }

            return $labels;
        };

        return $nest($this->shown($menu));
    }

    /** @return list<ResolvedEntry> */
    private function shown(Menu $menu, ?Viewer $viewer = null): array
    {
        return (new MenuResolver($this->site, Moment::at($this->site->now), $viewer ?? Viewer::visitor()))->shown($menu);
    }

    /** @return list<ResolvedEntry> */
    private function whole(Menu $menu): array
    {
        return (new MenuResolver($this->site, Moment::at($this->site->now), Viewer::visitor()))->whole($menu);
    }
}
