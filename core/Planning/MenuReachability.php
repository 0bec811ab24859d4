<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Menu\EntryKind;
use Heronstem\Core\Menu\Menu;
use Heronstem\Core\Menu\MenuKind;
use Heronstem\Core\Workspace\Workspace;

/** Whether some menu that visitors see leads to a page, before a batch and after it; whoever looks, and whenever. Picks do not count. */
final class MenuReachability
{
    private readonly ShownEntries $before;

    private readonly ShownEntries $after;

    /** @var array<string, array<string, true>> pages that entries made by hand lead to, by side and menu */
    private array $byHand = [];

    public function __construct(private readonly Workspace $workspace)
    {
        $this->before = ShownEntries::before($workspace);
        $this->after = ShownEntries::after($workspace);
    }

    /**
     * Pages of menus that are placed by the batch, or taken out of their place: entries stay, and what visitors see does not.
     *
     * @return array<string, string> name of the menu by page
     */
    public function pagesOfMenusPlacedOrNot(): array
    {
        $pages = [];
        $before = $this->workspace->menus->before();
        foreach ($this->workspace->menus->after() + $before as $id => $menu) {
            $now = $this->workspace->menus->find((string) $id);
            if ($menu->kind === MenuKind::Menu && (($before[$id] ?? null)?->place === null) !== ($now?->place === null)) {
                foreach ($menu->entries as $entry) {
                    $pages += array_fill_keys(
                        $entry->kind === EntryKind::Branch
                            ? $this->belowAtOnce($entry->page(), $entry->contents->depth ?? 1)
                            : array_filter([$entry->page()]),
                        $menu->name,
                    );
                }
            }
        }
        $this->workspace->pages->expect(array_map(strval(...), array_keys($pages)));

        return $pages;
    }

    /** @return list<string> */
    private function belowAtOnce(?string $parent, int $depth): array
    {
        $this->workspace->pages->expectBelow([$parent], $depth);

        return $this->below($parent, $depth);
    }

    /** @return list<string> */
    private function below(?string $parent, int $depth): array
    {
        $children = array_map(strval(...), array_keys($this->workspace->pages->childOrder($parent)));
        foreach ($depth > 1 ? $children : [] as $child) {
            array_push($children, ...$this->below($child, $depth - 1));
        }

        return $children;
    }

    public function wasInSome(string $page): bool
    {
        return $this->among($this->workspace->menus->before(), $this->before, 'before', $page);
    }

    public function isInSome(string $page): bool
    {
        return $this->among($this->workspace->menus->after(), $this->after, 'after', $page);
    }

    /** @param  array<string, Menu>  $menus */
    private function among(array $menus, ShownEntries $shown, string $side, string $page): bool
    {
        foreach ($menus as $menu) {
            if (
                $menu->place !== null &&
                $menu->kind === MenuKind::Menu &&
                ($this->hasByHand($menu, $shown, $side, $page) || $this->hasInBranch($menu, $shown, $page))
            ) {
                return true;
            }
        }

        return false;
    }

    private function hasByHand(Menu $menu, ShownEntries $shown, string $side, string $page): bool
    {
        $this->byHand["$side {$menu->id}"] ??= array_fill_keys(
            array_filter(array_map(static fn (ShownEntry $entry): ?string => $entry->page, $shown->byHand($menu))),
            true,
        );

        return isset($this->byHand["$side {$menu->id}"][$page]);
    }

    private function hasInBranch(Menu $menu, ShownEntries $shown, string $page): bool
    {
        foreach ($menu->entries as $entry) {
            if ($entry->kind === EntryKind::Branch && $shown->inBranch($entry, $page) !== null) {
                return true;
            }
        }

        return false;
    }
}
