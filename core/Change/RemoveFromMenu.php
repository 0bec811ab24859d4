<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Tree\Page;
use Heronstem\Core\Workspace\Workspace;

/** Takes a page out of a menu while it stays what it is: its entries go, and branches leave it out. Unpicks a page likewise. */
final readonly class RemoveFromMenu implements RequestedChange
{
    use HasShape, NamesItsMenu, NamesItsPage {
        NamesItsPage::pagesNamed insteadof NamesItsMenu;
    }

    public function __construct(public string $page, public string $menu)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of('remove-from-menu', Subject::Pages, Field::identity('menu'));
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->page(), $input->identity('menu'));
    }

    public function on(Workspace $workspace): void
    {
        $menu = $kept = $this->menu($workspace);
        $page = $workspace->pages->known($this->page);
        $line = array_map(static fn (Page $each): string => $each->id, [...array_reverse($workspace->pages->ancestors($page)), $page]);
        foreach ($menu->leadingTo($page->id) as $entry) {
            $kept = $kept->without($entry->id);
        }
        foreach ($menu->entries as $entry) {
            if ($entry->contents !== null && ! in_array($page->id, $entry->contents->out, true) && $entry->wayTo($line) !== null) {
                $kept = $kept->put(($kept->entries[$entry->id] ?? $entry)->with(['contents' => $entry->contents->leavingOut($page->id)]));
            }
        }
        if ($kept === $menu) {
            throw new NothingToChange('page', "“{$page->name}” does not stand in “{$menu->name}”.");
        }
        $workspace->menus->put($kept);
    }

    public function sentence(Outcome $outcome): string
    {
        return "Removed {$outcome->page($this->page)} from {$outcome->menu($this->menu)}";
    }

    public function toArray(): array
    {
        return ['kind' => 'remove-from-menu', 'page' => $this->page, 'menu' => $this->menu];
    }
}
