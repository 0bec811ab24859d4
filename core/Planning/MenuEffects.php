<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Menu\Entry;
use Heronstem\Core\Menu\EntryKind;
use Heronstem\Core\Menu\Menu;
use Heronstem\Core\Ripple\MenuEffect;
use Heronstem\Core\Ripple\MenuEffectKind;
use Heronstem\Core\Workspace\Workspace;

/**
 * Compares every menu before and after a batch, whoever looks and whenever they do: entries made by hand where the
 * menu or a page it leads to changed, and branches for the pages that the batch touches, or whole where the branch
 * entry itself changed.
 */
final class MenuEffects
{
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
        foreach ($was + $is as $id => $_) {
            $this->compare($was[$id] ?? null, $is[$id] ?? null);
        }

        return $this->effects;
    }

    private function compare(?Menu $was, ?Menu $is): void
    {
        $menu = $is ?? $was;
        if ($menu === null) {
            return;
        }
        $pages = array_values(
            array_filter(
                array_map(static fn (Entry $entry): ?string => $entry->page(), [
                    ...array_values($was->entries ?? []),
                    ...array_values($is->entries ?? []),
                ]),
            ),
        );
        if ($was !== $is || array_intersect($pages, $this->workspace->pages->touched()) !== []) {
            $this->workspace->pages->expect($pages);
            $this->say($menu, $this->before->byHand($was), $this->after->byHand($is));
        }
        foreach (($was->entries ?? []) + ($is->entries ?? []) as $id => $_) {
            $this->branch($menu, self::branchEntry($was, (string) $id), self::branchEntry($is, (string) $id));
        }
    }

    private static function branchEntry(?Menu $menu, string $id): ?Entry
    {
        $entry = $menu?->entries[$id] ?? null;

        return $entry?->kind === EntryKind::Branch ? $entry : null;
    }

    private function branch(Menu $menu, ?Entry $was, ?Entry $is): void
    {
        if ($was === null && $is === null) {
            return;
        }
        $depth = max($was->spread->depth ?? 1, $is->spread->depth ?? 1);
        $candidates = $was?->toArray() === $is?->toArray() ? $this->touchedIn($was, $is, $depth) : $this->wholeOf([$was, $is], $depth);
        $before = $after = [];
        foreach ($candidates as $page => $_) {
            $before[$page] = $was === null ? null : $this->before->inBranch($was, (string) $page);
            $after[$page] = $is === null ? null : $this->after->inBranch($is, (string) $page);
        }
        $this->say($menu, array_filter($before), array_filter($after), $was->id ?? $is?->id);
    }

    /** @return array<string, true> pages the batch touched that the branch shows or showed, and what is below them */
    private function touchedIn(?Entry $was, ?Entry $is, int $depth): array
    {
        $found = [];
        $root = $was?->page() ?? $is?->page();
        foreach ($this->workspace->pages->touched() as $id) {
            $found[$id] = true;
            $shown = ($was !== null && $this->before->inBranch($was, $id) !== null) || ($is !== null && $this->after->inBranch($is, $id) !== null);
            if (($shown || $id === $root) && $this->turnsBranch($id)) {
                $found += $this->below($id, $depth);
            }
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
        $now = $parent === null || $this->workspace->pages->find($parent) !== null ? $this->workspace->pages->childOrder($parent) : [];
        $children = array_map(strval(...), array_keys($now + $this->workspace->pages->childOrderBefore($parent)));
        $this->workspace->pages->expect($children);
        $found = array_fill_keys($children, true);
        foreach ($children as $child) {
            if ($depth > 1) {
                $found += $this->below($child, $depth - 1);
            }
        }

        return $found;
    }

    /**
     * @param  array<string, ShownEntry>  $before
     * @param  array<string, ShownEntry>  $after
     * @param  string|null  $entry  the branch whose pages they are; null where each is an entry of its own
     */
    private function say(Menu $menu, array $before, array $after, ?string $entry = null): void
    {
        foreach ($before + $after as $key => $_) {
            $was = $before[$key] ?? null;
            $is = $after[$key] ?? null;
            $kind = match (true) {
                $was === null => MenuEffectKind::Appears,
                $is === null => MenuEffectKind::Vanishes,
                $was->parent !== $is->parent || $was->position !== $is->position => MenuEffectKind::Moves,
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
