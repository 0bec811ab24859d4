<?php

declare(strict_types=1);

namespace Tests\Core\Menu;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Linking\Target;
use Heronstem\Core\Menu\BranchContents;
use Heronstem\Core\Menu\Entry;
use Heronstem\Core\Menu\EntryKind;
use Heronstem\Core\Menu\Menu;
use Heronstem\Core\Menu\MenuDifference;
use Heronstem\Core\Menu\MenuKind;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** A menu as a value, and the differences between two of them. */
final class MenuTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function entries_come_in_order_with_what_stands_under_them(): void
    {
        $menu = $this->menu(
            $this->entry('c', null, 2),
            $this->entry('a', null, 0),
            $this->entry('a2', 'a', 5),
            $this->entry('a1', 'a', 3),
            $this->entry('a11', 'a1', 0),
            $this->entry('b', null, 1),
        );
        self::assertSame(['a', 'a1', 'a11', 'a2', 'b', 'c'], $this->order($menu));
        self::assertSame(['a1', 'a2'], array_map(static fn (Entry $entry): string => $entry->id, $menu->under('a')));
    }

    #[Test]
    public function an_entry_taken_out_leaves_its_place_to_what_stood_under_it(): void
    {
        $menu = $this->menu(
            $this->entry('a', null, 0),
            $this->entry('b', null, 1),
            $this->entry('b1', 'b', 0),
            $this->entry('b2', 'b', 1),
            $this->entry('b11', 'b1', 0),
            $this->entry('c', null, 2),
        );
        $without = $menu->without('b');
        self::assertSame(['a', 'b1', 'b11', 'b2', 'c'], $this->order($without));
        self::assertSame([null, 'b1', null], [$without->entries['b1']->parent, $without->entries['b11']->parent, $without->entries['b2']->parent]);
        self::assertSame($menu, $menu->without('x'));
        self::assertSame(
            ['a', 'b'],
            array_keys($this->menu($this->entry('a', null, 0), $this->entry('b', null, 7), $this->entry('c', null, 9))->without('c')->entries),
        );
    }

    #[Test]
    public function a_page_that_is_gone_leaves_entries_branches_and_exceptions(): void
    {
        $menu = $this->menu(
            $this->entry('a', null, 0, 'Times'),
            $this->entry('b', null, 1, 'Fares'),
            new Entry('c', null, 2, EntryKind::Branch, Target::page('Travel'), contents: new BranchContents(out: ['Times', 'Help'], in: ['Times'])),
            new Entry('d', null, 3, EntryKind::Branch, Target::page('Times'), contents: new BranchContents()),
        );
        self::assertEqualsCanonicalizing(['Times', 'Fares', 'Travel', 'Help'], $menu->pagesNamed());
        $without = $menu->withoutPages(['Times' => true]);
        self::assertSame(['b', 'c'], $this->order($without));
        self::assertSame([['Help'], []], [$without->entries['c']->contents?->out, $without->entries['c']->contents?->in]);
        self::assertSame($menu, $menu->withoutPages([]));
    }

    #[Test]
    public function a_menu_is_kept_whole_and_any_other_has_another_version(): void
    {
        $this->limitTo(150)
            ->forAll($this->menus(), $this->menus())
            ->then(static function (Menu $one, Menu $other): void {
                $kept = Menu::fromArray(json_decode((string) json_encode($one->toArray()), true));
                self::assertSame($one->toArray(), $kept->toArray());
                self::assertSame($one->version(), $kept->version());
                self::assertSame($one->toArray() === $other->toArray(), $one->version() === $other->version());
            });
    }

    #[Test]
    public function a_difference_leads_from_one_menu_to_the_other_and_back(): void
    {
        $this->limitTo(300)
            ->forAll($this->menus(), $this->menus())
            ->then(function (Menu $before, Menu $after): void {
                $difference = MenuDifference::between('menu', $before, $after);
                if ($difference === null) {
                    self::assertSame($before->toArray(), $after->toArray());

                    return;
                }
                $kept = MenuDifference::fromArray(json_decode((string) json_encode($difference->toArray()), true));
                self::assertSame($after->toArray(), $kept->doneTo($before)?->toArray());
                self::assertSame($before->toArray(), $kept->undoneIn($after)?->toArray());
                self::assertFalse($kept->strayedIn($after));
            });
    }

    #[Test]
    public function a_menu_made_or_removed_is_unmade_or_restored(): void
    {
        $menu = $this->menu($this->entry('a', null, 0));
        $made = MenuDifference::between('menu', null, $menu);
        $removed = MenuDifference::between('menu', $menu, null);
        self::assertNotNull($made);
        self::assertNotNull($removed);
        self::assertTrue($made->wasMade() && $removed->wasRemoved());
        self::assertNull($made->undoneIn($menu));
        self::assertSame($menu->toArray(), $removed->undoneIn(null)?->toArray());
        self::assertNull($removed->doneTo($menu));
        $more = $menu->put($this->entry('b', null, 1));
        self::assertTrue($made->strayedIn($more));
        self::assertSame($more, $made->undoneIn($more), 'What was added since would be lost.');
    }

    #[Test]
    public function whatever_is_undone_of_a_menu_that_went_on_every_entry_still_stands_somewhere(): void
    {
        $this->limitTo(300)
            ->forAll($this->menus(), $this->menus(), $this->menus())
            ->then(function (Menu $before, Menu $after, Menu $since): void {
                $back = MenuDifference::between('menu', $before, $after)?->undoneIn($since);
                if ($back === null) {
                    $this->addToAssertionCount(1);

                    return;
                }
                self::assertCount(count($back->entries), $back->inOrder(), 'No entry hangs below one that is not there.');
                $places = array_map(static fn (Entry $entry): string => "$entry->parent#$entry->position", array_values($back->entries));
                self::assertSame(array_unique($places), $places, 'No two entries stand at one place.');
            });
    }

    /** Menus of a few entries, of which some stand under others. */
    private function menus(): \Eris\Generator
    {
        return Generators::map(function (array $shape): Menu {
            $entries = [];
            foreach ($shape as $n => [$isThere, $under, $label]) {
                if ($isThere) {
                    $parent = $under < $n && isset($entries["e$under"]) ? "e$under" : null;
                    $entries["e$n"] = $this->entry("e$n", $parent, $n, $label === '' ? 'Times' : null)->with([
                        'label' => $label === '' ? '' : $label,
                    ]);
                }
            }

            return new Menu('menu', $shape[0][2] === '' ? 'Main' : $shape[0][2], MenuKind::Menu, $shape[1][0] ? 'main' : null, $entries);
        }, Generators::vector(6, Generators::tuple(Generators::bool(), Generators::choose(0, 5), Generators::elements(['', 'One', 'Two']))));
    }

    private function entry(string $id, ?string $parent, int $position, ?string $page = null): Entry
    {
        return $page === null
            ? new Entry($id, $parent, $position, EntryKind::Heading, null, $id)
            : new Entry($id, $parent, $position, EntryKind::Page, Target::page($page));
    }

    private function menu(Entry ...$entries): Menu
    {
        return new Menu('menu', 'Main', MenuKind::Menu, null, array_column($entries, null, 'id'));
    }

    /** @return list<string> */
    private function order(Menu $menu): array
    {
        return array_map(static fn (Entry $entry): string => $entry->id, $menu->inOrder());
    }
}
