<?php

declare(strict_types=1);

namespace Tests\Core\Planning;

use Heronstem\Core\Change\AddToMenu;
use Heronstem\Core\Change\ArrangeMenu;
use Heronstem\Core\Change\Change;
use Heronstem\Core\Change\MakeMenu;
use Heronstem\Core\Change\Move;
use Heronstem\Core\Change\RemoveFromMenu;
use Heronstem\Core\Change\RemoveMenu;
use Heronstem\Core\Linking\Target;
use Heronstem\Core\Menu\BranchContents;
use Heronstem\Core\Menu\Entry;
use Heronstem\Core\Menu\EntryKind;
use Heronstem\Core\Menu\MenuKind;
use Heronstem\Core\Ripple\DrawnLine;
use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Tree\PageName;
use Heronstem\Core\Workspace\Place;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\MemorySite;

/** A menu before and after it is arranged anew, as the tray draws it. */
final class MenuDrawingTest extends TestCase
{
    private const FOOT = '01J000000000000000000FOOT1';

    private MemorySite $site;

    protected function setUp(): void
    {
        $this->site = new MemorySite();
        foreach (['Travel', 'Islands', 'Help'] as $name) {
            $this->site->live($name);
        }
        $this->site->apply(new MakeMenu(self::FOOT, PageName::of('Footer'), MenuKind::Menu));
        $this->site->apply($this->arranged($this->page('a', 'Travel', 0), $this->page('b', 'Islands', 1), $this->page('c', 'Help', 2)));
    }

    #[Test]
    public function what_comes_goes_and_is_called_differently_is_marked_and_the_rest_stands_unmarked(): void
    {
        [$before, $after] = $this->drawing(
            $this->site->plan(
                $this->arranged(
                    $this->page('a', 'Travel', 0)->with(['label' => 'All trips']),
                    $this->page('c', 'Help', 1),
                    new Entry('d', null, 2, EntryKind::Url, Target::url('https://tides.example/'), 'Tides'),
                ),
            ),
        );
        self::assertSame(['0 Footer', '1 Travel changes', '1 Islands goes', '1 Help'], $before);
        self::assertSame(['0 Footer', '1 All trips changes', '1 Help', '1 Tides comes'], $after);
    }

    #[Test]
    public function what_goes_under_another_has_moved_and_an_entry_that_leaves_moves_nobody_else(): void
    {
        [, $after] = $this->drawing(
            $this->site->plan(
                $this->arranged($this->page('a', 'Travel', 0), $this->page('c', 'Help', 0)->with(['parent' => 'a']), $this->page('b', 'Islands', 1)),
            ),
        );
        self::assertSame(['0 Footer', '1 Travel', '2 Help moves', '1 Islands'], $after);
        [, $after] = $this->drawing($this->site->plan($this->arranged($this->page('b', 'Islands', 0), $this->page('c', 'Help', 1))));
        self::assertSame(['0 Footer', '1 Islands', '1 Help'], $after);
    }

    #[Test]
    public function entries_that_trade_places_have_moved(): void
    {
        [$before, $after] = $this->drawing(
            $this->site->plan($this->arranged($this->page('b', 'Islands', 0), $this->page('a', 'Travel', 1), $this->page('c', 'Help', 2))),
        );
        self::assertSame(['0 Footer', '1 Travel moves', '1 Islands moves', '1 Help'], $before);
        self::assertSame(['0 Footer', '1 Islands moves', '1 Travel moves', '1 Help'], $after);
    }

    #[Test]
    public function a_menu_that_is_made_or_removed_comes_or_goes_as_a_whole(): void
    {
        $cards = '01J00000000000000000CARDS1';
        [$before, $after] = $this->drawing(
            $this->site->plan(new MakeMenu($cards, PageName::of('Cards'), MenuKind::Picks), new AddToMenu('Help', $cards)),
        );
        self::assertSame([[], ['0 Cards comes', '1 Help comes']], [$before, $after]);
        [$before, $after] = $this->drawing($this->site->plan(new RemoveMenu(self::FOOT)));
        self::assertSame(['0 Footer goes', '1 Travel goes', '1 Islands goes', '1 Help goes'], $before);
        self::assertSame([], $after);
    }

    #[Test]
    public function branches_and_separators_are_named_by_what_they_are(): void
    {
        [, $after] = $this->drawing(
            $this->site->plan(
                $this->arranged(
                    new Entry('top', null, 0, EntryKind::Branch, contents: new BranchContents(1)),
                    new Entry('line', null, 1, EntryKind::Separator),
                    new Entry('in', null, 2, EntryKind::Branch, Target::page('Travel'), contents: new BranchContents(1)),
                ),
            ),
        );
        self::assertSame(['0 Footer', '1 Pages at the top of the tree comes', '1 — comes', '1 Pages inside Travel comes'], $after);
    }

    #[Test]
    public function a_batch_that_rearranges_the_tree_too_is_drawn_as_the_tree(): void
    {
        [, $after] = $this->drawing($this->site->plan(new Move('Help', Place::lastIn('Travel')), new RemoveFromMenu('Islands', self::FOOT)));
        self::assertContains('1 Help moves', $after);
        self::assertNotContains('0 Footer', $after);
    }

    private function arranged(Entry ...$entries): Change
    {
        return new ArrangeMenu(self::FOOT, array_values($entries));
    }

    private function page(string $id, string $page, int $position): Entry
    {
        return new Entry($id, null, $position, EntryKind::Page, Target::page($page));
    }

    /** @return array{list<string>, list<string>} */
    private function drawing(Ripple $ripple): array
    {
        $line = static fn (DrawnLine $line): string => "$line->level $line->name".($line->mark === null ? '' : " {$line->mark->value}");

        return [array_map($line, $ripple->drawing->before), array_map($line, $ripple->drawing->after)];
    }
}
