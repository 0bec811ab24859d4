<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Menu\BranchOrder;
use Heronstem\Core\Menu\Entry;
use Heronstem\Core\Menu\EntryKind;
use Heronstem\Core\Menu\Menu;
use Heronstem\Core\Ripple\MenuEffect;
use Heronstem\Core\Ripple\MenuEffectKind;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Workspace\Workspace;

/**
 * Compares every menu before and after a batch, whoever looks and whenever they do: entries made by hand where the
 * menu or a page it leads to changed, and branches for the pages that the batch touches, or whole where the branch
 * entry itself changed.
 */
final class MenuEffects
{
    /** More than the entries of a menu together weigh. */
    private const WEIGHT_OF_BRANCH = 1000;

    /** Siblings read at a time while looking for one that visitors see. */
    private const PIECE = 100;

    private readonly ShownEntries $before;

    private readonly ShownEntries $after;

    /** @var list<MenuEffect> */
    private array $effects = [];

    private function __construct(private readonly Workspace $workspace)
    {
        $this->before = ShownEntries::before($workspace);
        $this->after = ShownEntries::after($workspace);
    }

    /** @return list<MenuEffect> */
    public static function in(Workspace $workspace): array
    {
        return (new self($workspace))->all();
    }

    /** @return list<MenuEffect> */
    private function all(): array
    {
        $was = $this->workspace->menus->before();
        $is = $this->workspace->menus->after();
        $touched = array_flip($this->workspace->pages->touched());
        $byHand = [];
        foreach ($was + $is as $id => $_) {
            [$old, $new] = [$was[$id] ?? null, $is[$id] ?? null];
            $pages = self::pages($old, $new);
            if ($old !== $new || array_intersect_key($pages, $touched) !== []) {
                $byHand[$id] = $pages;
            }
        }
        // Of all menus in one go.
        $this->workspace->pages->expect(self::keys(array_replace([], ...array_values($byHand))));
        foreach ($was + $is as $id => $_) {
            $this->compare($was[$id] ?? null, $is[$id] ?? null, isset($byHand[$id]));
        }

        return $this->effects;
    }

    /** @return array<string, true> pages to which entries of a menu lead */
    private static function pages(?Menu ...$menus): array
    {
        $pages = [];
        foreach ($menus as $menu) {
            foreach ($menu->entries ?? [] as $entry) {
                $page = $entry->page();
                if ($page !== null) {
                    $pages[$page] = true;
                }
            }
        }

        return $pages;
    }

    /** @param  bool  $byHand  entries made by hand may differ */
    private function compare(?Menu $was, ?Menu $is, bool $byHand): void
    {
        $menu = $is ?? $was;
        if ($menu === null) {
            return;
        }
        $moved = [];
        if ($byHand) {
            [$before, $after] = [$this->before->byHand($was), $this->after->byHand($is)];
            $moved = $was === null || $is === null ? [] : $this->entriesMoved($was, $is, $before, $after);
            $this->say($menu, $before, $after, $moved);
        }
        foreach (($was->entries ?? []) + ($is->entries ?? []) as $id => $_) {
            $this->branch($menu, self::branchEntry($was, (string) $id), self::branchEntry($is, (string) $id), isset($moved[$id]));
        }
    }

    /**
     * Entries that stand elsewhere among those that visitors see before and after. A branch stands for all of its pages,
     * so that it is rather its neighbours that moved.
     *
     * @param  array<string, ShownEntry>  $before
     * @param  array<string, ShownEntry>  $after
     * @return array<string, true> by entry and page as they are shown; a branch by its entry
     */
    private function entriesMoved(Menu $was, Menu $is, array $before, array $after): array
    {
        $moved = [];
        $parents = [null, ...array_keys($is->entries)];
        foreach ($parents as $parent) {
            $keyed = static function (Menu $menu) use ($parent, $was, $is, $before, $after): array {
                $keys = [];
                foreach ($menu->under($parent === null ? null : (string) $parent) as $entry) {
                    $isBranch = $entry->kind === EntryKind::Branch;
                    $key = $isBranch ? $entry->id : "$entry->id {$entry->page()}";
                    $stays = ($was->entries[$entry->id] ?? null)?->parent === ($is->entries[$entry->id] ?? null)?->parent;
                    if ($stays && ($isBranch ? isset($was->entries[$entry->id], $is->entries[$entry->id]) : isset($before[$key], $after[$key]))) {
                        $keys[$key] = $isBranch ? self::WEIGHT_OF_BRANCH : 1;
                    }
                }

                return $keys;
            };
            [$old, $new] = [$keyed($was), $keyed($is)];
            if (array_keys($old) !== array_keys($new)) {
                $seen = fn (string $key): bool => ! isset($was->entries[$key], $is->entries[$key]) ||
                    $this->showsAny($was->entries[$key], $is->entries[$key]);
                $old = array_filter($old, $seen, ARRAY_FILTER_USE_KEY);
                $moved += OutOfOrder::of(self::keys($old), self::keys(array_intersect_key($new, $old)), $old);
            }
        }

        return $moved;
    }

    private static function branchEntry(?Menu $menu, string $id): ?Entry
    {
        $entry = $menu?->entries[$id] ?? null;

        return $entry?->kind === EntryKind::Branch ? $entry : null;
    }

    /** @param  bool  $moved  the branch entry stands elsewhere among its neighbours */
    private function branch(Menu $menu, ?Entry $was, ?Entry $is, bool $moved): void
    {
        if ($was === null && $is === null) {
            return;
        }
        $depth = max($was->contents->depth ?? 1, $is->contents->depth ?? 1);
        $candidates = $was?->toArray() === $is?->toArray() ? $this->touchedIn($was, $is, $depth) : $this->wholeOf([$was, $is], $depth);
        $before = $after = [];
        foreach ($candidates as $page => $_) {
            $before[$page] = $was === null ? null : $this->before->inBranch($was, (string) $page);
            $after[$page] = $is === null ? null : $this->after->inBranch($is, (string) $page);
        }
        [$before, $after] = [array_filter($before), array_filter($after)];
        $elsewhere = $was === null || $is === null ? [] : $this->pagesMoved($was, $is, $before, $after, $moved || $was->parent !== $is->parent);
        $this->say($menu, $before, $after, $elsewhere, $was->id ?? $is?->id);
    }

    /**
     * Pages that stand elsewhere among those that the branch shows before and after under the same page.
     *
     * @param  array<string, ShownEntry>  $before
     * @param  array<string, ShownEntry>  $after
     * @param  bool  $whole  the branch itself moved, and its first level with it
     * @return array<string, true>
     */
    private function pagesMoved(Entry $was, Entry $is, array $before, array $after, bool $whole): array
    {
        $moved = $byParent = [];
        foreach (array_intersect_key($before, $after) as $page => $shown) {
            if ($shown->parent !== $after[$page]->parent) {
                continue;
            }
            if ($whole && $shown->parent === '') {
                $moved[$page] = true;
            }
            $byParent[$shown->parent][] = (string) $page;
        }
        foreach ($byParent as $parent => $pages) {
            $parent = $parent === '' ? $is->page() : (string) $parent;
            $moved += match (true) {
                ($was->contents->order ?? BranchOrder::Tree) !== ($is->contents->order ?? BranchOrder::Tree) => OutOfOrder::of(
                    $this->sorted($pages, $was, $this->workspace->pages->before(...)),
                    $this->sorted($pages, $is, $this->workspace->pages->find(...)),
                ),
                // In the order of the alphabet a page goes elsewhere with its name, and gets another label.
                $is->contents?->order === BranchOrder::Alphabet => [],
                default => $this->movedAmong($parent, $pages, $was, $is),
            };
        }

        return $moved;
    }

    /**
     * @param  list<string>  $pages
     * @param  \Closure(string): ?Page  $page
     * @return list<string>
     */
    private function sorted(array $pages, Entry $entry, \Closure $page): array
    {
        $found = array_map(static fn (string $id): Page => $page($id) ?? throw new \LogicException('A page is gone.'), $pages);
        $order = $entry->contents->order ?? BranchOrder::Tree;
        usort($found, static fn (Page $a, Page $b): int => $order->compare($a->name, $a->position, $b->name, $b->position));

        return array_map(static fn (Page $each): string => $each->id, $found);
    }

    /**
     * Of siblings that the batch touched: those that passed one that visitors see before and after. The others keep
     * their order, so that each is only compared with those it passed. Cost: the order of the siblings, and the pages
     * passed until the first that is shown.
     *
     * @param  list<string>  $pages
     * @return array<string, true>
     */
    private function movedAmong(?string $parent, array $pages, Entry $was, Entry $is): array
    {
        $all = array_flip($this->workspace->pages->touched());
        $touched = array_intersect_key(array_flip($pages), $all);
        if ($touched === []) {
            return [];
        }
        [$old, $new] = [$this->workspace->pages->childOrderBefore($parent), $this->childOrderAfter($parent)];
        $others = self::keys(array_diff_key(array_intersect_key($old, $new), $all));
        [$from, $to] = [self::ranks($old, $others, $touched), self::ranks($new, $others, $touched)];
        $moved = $left = [];
        foreach ($touched as $page => $_) {
            [$low, $high] = [min($from[$page], $to[$page]), max($from[$page], $to[$page])];
            if ($this->showsOneOf(array_slice($others, $low, $high - $low), $was, $is)) {
                $moved[$page] = true;
            } else {
                $left[$page] = true;
            }
        }
        $in = static fn (array $order): array => self::keys(array_intersect_key($order, $left));

        return $moved + OutOfOrder::of($in($old), $in($new));
    }

    /**
     * @param  array<string, int>  $order
     * @param  list<string>  $others
     * @param  array<string, int>  $touched
     * @return array<string, int> how many of the others stand before each touched page
     */
    private static function ranks(array $order, array $others, array $touched): array
    {
        $ranks = [];
        $passed = 0;
        $isOther = array_flip($others);
        foreach ($order as $page => $_) {
            if (isset($touched[$page])) {
                $ranks[$page] = $passed;
            } elseif (isset($isOther[$page])) {
                $passed++;
            }
        }

        return $ranks;
    }

    /** Whether a branch shows some page of its first level before and after. */
    private function showsAny(Entry $was, Entry $is): bool
    {
        return $this->showsOneOf(self::keys($this->workspace->pages->childOrderBefore($was->page())), $was, $is);
    }

    /**
     * @param  array<string, mixed>  $of
     * @return list<string>
     */
    private static function keys(array $of): array
    {
        return array_map(strval(...), array_keys($of));
    }

    /** @param  list<string>  $pages */
    private function showsOneOf(array $pages, Entry $was, Entry $is): bool
    {
        foreach (array_chunk($pages, self::PIECE) as $piece) {
            $this->workspace->pages->expect($piece);
            foreach ($piece as $page) {
                if ($this->before->inBranch($was, $page) !== null && $this->after->inBranch($is, $page) !== null) {
                    return true;
                }
            }
        }

        return false;
    }

    /** @return array<string, true> pages the batch touched that the branch shows or showed, and what is below them */
    private function touchedIn(?Entry $was, ?Entry $is, int $depth): array
    {
        $turned = [];
        $root = $was?->page() ?? $is?->page();
        foreach ($this->workspace->pages->touched() as $id) {
            $shown = ($was !== null && $this->before->inBranch($was, $id) !== null) || ($is !== null && $this->after->inBranch($is, $id) !== null);
            $turned[$id] = ($shown || $id === $root) && $this->turnsBranch($id);
        }
        $this->workspace->pages->expectBelow(self::keys(array_filter($turned)), $depth);
        $found = [];
        foreach ($turned as $id => $with) {
            $found[$id] = true;
            $found += $with ? $this->below((string) $id, $depth) : [];
        }

        return $found;
    }

    /** Whether what stands below a page may come, go or move with it. */
    private function turnsBranch(string $id): bool
    {
        $old = $this->workspace->pages->before($id);
        $new = $this->workspace->pages->find($id);

        return $old?->parent !== $new?->parent ||
            $old?->isShown() !== $new?->isShown() ||
            $old?->isLive() !== $new?->isLive() ||
            ($id === $this->workspace->site->startPage) !== ($id === $this->workspace->startPage());
    }

    /**
     * @param  list<Entry|null>  $entries
     * @return array<string, true>
     */
    private function wholeOf(array $entries, int $depth): array
    {
        $found = array_fill_keys($this->workspace->pages->touched(), true);
        $this->workspace->pages->expectBelow(
            array_map(static fn (Entry $entry): ?string => $entry->page(), array_values(array_filter($entries))),
            $depth,
        );
        foreach ($entries as $entry) {
            $found += $entry === null ? [] : $this->below($entry->page(), $depth);
        }

        return $found;
    }

    /** @return array<string, true> */
    private function below(?string $parent, int $depth): array
    {
        if ($depth === 0) {
            return [];
        }
        $children = self::keys($this->childOrderAfter($parent) + $this->workspace->pages->childOrderBefore($parent));
        $this->workspace->pages->expect($children);
        $found = array_fill_keys($children, true);
        foreach ($children as $child) {
            if ($depth > 1) {
                $found += $this->below($child, $depth - 1);
            }
        }

        return $found;
    }

    /** @return array<string, int> none below a page that the batch removes */
    private function childOrderAfter(?string $parent): array
    {
        return $parent === null || $this->workspace->pages->find($parent) !== null ? $this->workspace->pages->childOrder($parent) : [];
    }

    /**
     * @param  array<string, ShownEntry>  $before
     * @param  array<string, ShownEntry>  $after
     * @param  array<string, true>  $moved
     * @param  string|null  $entry  the branch whose pages they are; null where each is an entry of its own
     */
    private function say(Menu $menu, array $before, array $after, array $moved, ?string $entry = null): void
    {
        foreach ($before + $after as $key => $_) {
            $was = $before[$key] ?? null;
            $is = $after[$key] ?? null;
            $kind = match (true) {
                $was === null => MenuEffectKind::Appears,
                $is === null => MenuEffectKind::Vanishes,
                $was->parent !== $is->parent || isset($moved[$key]) => MenuEffectKind::Moves,
                $was->label !== $is->label => MenuEffectKind::Relabels,
                default => null,
            };
            $shown = $is ?? $was;
            if ($kind !== null && $shown !== null) {
                $this->effects[] = new MenuEffect($kind, $menu, $entry ?? explode(' ', (string) $key)[0], $shown->page, $shown->label, $is?->under);
            }
        }
    }
}
