<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Menu\BranchContents;
use Heronstem\Core\Menu\Entry;
use Heronstem\Core\Menu\EntryKind;
use Heronstem\Core\Menu\Menu;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Workspace\Workspace;

/** What of a menu visitors see on one side of a batch: before it, or as it leaves the site. */
final readonly class ShownEntries
{
    /**
     * @param  \Closure(string): ?Page  $page  a page on this side
     * @param  string|null  $startPage  stands in no branch from the top: the site's name leads there
     */
    public function __construct(private \Closure $page, private ?string $startPage)
    {
    }

    public static function before(Workspace $workspace): self
    {
        return new self(static fn (string $id): ?Page => $workspace->pages->before($id), $workspace->site->startPage);
    }

    public static function after(Workspace $workspace): self
    {
        return new self(static fn (string $id): ?Page => $workspace->pages->find($id), $workspace->startPage());
    }

    /**
     * Of the entries that are not filled from the tree.
     *
     * @return array<string, ShownEntry> by entry and page: one that leads to another page is another
     */
    public function byHand(?Menu $menu): array
    {
        return $menu === null ? [] : $this->level($menu, null, null);
    }

    /**
     * A page in a branch: null where the branch does not show it. Cost: the pages between it and the branch's root.
     */
    public function inBranch(Entry $entry, string $id): ?ShownEntry
    {
        $contents = $entry->contents ?? new BranchContents();
        $root = $entry->page();
        $page = ($this->page)($id);
        if ($page === null || ($root !== null && ($this->page)($root)?->isLive() !== true)) {
            return null;
        }
        $above = $page;
        for ($level = 1; $level <= $contents->depth; $level++) {
            $listed = $above->listed || in_array($above->id, $contents->in, true);
            $isStart = $root === null && $above->parent === null && $above->id === $this->startPage;
            if ($isStart || ! $above->isLive() || ! $listed || in_array($above->id, $contents->out, true)) {
                return null;
            }
            if ($above->parent === $root) {
                $under = $level === 1 || $page->parent === null ? null : ($this->page)($page->parent);

                return new ShownEntry($id, $page->name, $under->id ?? '', $under?->name);
            }
            $above = $above->parent === null ? null : ($this->page)($above->parent);
            if ($above === null) {
                return null;
            }
        }

        return null;
    }

    /** @return array<string, ShownEntry> */
    private function level(Menu $menu, ?Entry $parent, ?string $under): array
    {
        $shown = [];
        foreach ($menu->under($parent?->id) as $entry) {
            if ($entry->kind === EntryKind::Branch || $entry->kind === EntryKind::Separator) {
                continue;
            }
            $page = $entry->page() === null ? null : ($this->page)($entry->page());
            if ($entry->kind === EntryKind::Page && $page?->isShown() !== true) {
                continue;
            }
            $label = $entry->label !== '' ? $entry->label : $page->name ?? (string) $entry->leadsTo?->value;
            $below = $this->level($menu, $entry, $label);
            if ($entry->kind === EntryKind::Heading && $below === [] && ! $this->holdsBranch($menu, $entry)) {
                continue;
            }
            $shown += ["$entry->id {$entry->page()}" => new ShownEntry($entry->page(), $label, $parent->id ?? '', $under)] + $below;
        }

        return $shown;
    }

    private function holdsBranch(Menu $menu, Entry $heading): bool
    {
        foreach ($menu->under($heading->id) as $entry) {
            if ($entry->kind === EntryKind::Branch) {
                return true;
            }
        }

        return false;
    }
}
