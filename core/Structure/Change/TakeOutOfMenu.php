<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure\Change;

use Heronstem\Core\Menu\Entry;
use Heronstem\Core\Menu\EntryKind;
use Heronstem\Core\Menu\Menu;
use Heronstem\Core\Structure\AlreadySo;
use Heronstem\Core\Structure\Change;
use Heronstem\Core\Structure\Page;
use Heronstem\Core\Structure\Workspace;

/** Takes a page out of a menu while it stays what it is: its entries go, and branches leave it out. Unpicks a page likewise. */
final readonly class TakeOutOfMenu implements Change
{
    use NamesItsMenu {
        pagesNamed as private noPages;
    }

    public function __construct(public string $page, public string $menu)
    {
    }

    public function on(Workspace $workspace): void
    {
        $menu = $kept = $this->menu($workspace);
        $page = $workspace->known($this->page);
        foreach ($menu->leadingTo($page->id) as $entry) {
            $kept = $kept->without($entry->id);
        }
        foreach ($menu->entries as $entry) {
            if ($entry->kind === EntryKind::Branch && $entry->spread !== null && ! in_array($page->id, $entry->spread->out, true) && $this->reaches($entry, $page, $workspace)) {
                $kept = $kept->put(($kept->entries[$entry->id] ?? $entry)->with(['spread' => $entry->spread->leavingOut($page->id)]));
            }
        }
        if ($kept === $menu) {
            throw new AlreadySo('page', "“{$page->name}” does not stand in “{$menu->name}”.");
        }
        $workspace->menus->put($kept);
    }

    public function pagesNamed(): array
    {
        return [$this->page];
    }

    public function toArray(): array
    {
        return ['kind' => 'take-out-of-menu', 'page' => $this->page, 'menu' => $this->menu];
    }

    /** Whether the branch goes down to the page, shown at this moment or not. */
    private function reaches(Entry $branch, Page $page, Workspace $workspace): bool
    {
        for ($level = 1, $above = $page; $level <= ($branch->spread->depth ?? 1); $level++) {
            if ($above->parent === $branch->page()) {
                return true;
            }
            if ($above->parent === null) {
                return false;
            }
            $above = $workspace->known($above->parent);
        }

        return false;
    }
}
