<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Identity;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Linking\Target;
use Heronstem\Core\Menu\Entry;
use Heronstem\Core\Menu\EntryKind;
use Heronstem\Core\Workspace\Workspace;

/** Lets a menu show a page: where a branch leaves it out, that is undone; else it gets an entry at the end. Picks a page likewise. */
final readonly class AddToMenu implements RequestedChange
{
    use HasShape, NamesItsMenu, NamesItsPage {
        NamesItsPage::pagesNamed insteadof NamesItsMenu;
    }

    public function __construct(public string $page, public string $menu)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of('add-to-menu', Subject::Pages, Field::identity('menu'));
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->page(), $input->identity('menu'));
    }

    public function on(Workspace $workspace): void
    {
        $menu = $this->menu($workspace);
        $page = $workspace->pages->page($this->page);
        foreach ($menu->entries as $entry) {
            if ($entry->contents !== null && in_array($page->id, $entry->contents->out, true)) {
                $workspace->menus->put($menu->put($entry->with(['contents' => $entry->contents->lettingIn($page->id)])));

                return;
            }
        }
        if ($menu->leadingTo($page->id) !== []) {
            throw new NothingToChange('page', "“{$page->name}” stands in “{$menu->name}” already.");
        }
        if (count($menu->entries) >= $menu::MAX_ENTRIES) {
            throw new InputRefused('menu', sprintf('A menu holds at most %d entries. Remove some first.', $menu::MAX_ENTRIES));
        }
        $first = $menu->under(null);
        for ($n = 0, $id = ''; $id === '' || $this->isTaken($id, $workspace); $n++) {
            $id = Identity::derived($menu->id, "{$page->id} $n");
        }
        $workspace->menus->put(
            $menu->put(new Entry($id, null, $first === [] ? 0 : end($first)->position + 1, EntryKind::Page, Target::page($page->id))),
        );
    }

    public function sentence(Outcome $outcome): string
    {
        return "Added {$outcome->page($this->page)} to {$outcome->menu($this->menu)}";
    }

    public function toArray(): array
    {
        return ['kind' => 'add-to-menu', 'page' => $this->page, 'menu' => $this->menu];
    }

    private function isTaken(string $id, Workspace $workspace): bool
    {
        foreach ($workspace->menus->after() as $menu) {
            if (isset($menu->entries[$id])) {
                return true;
            }
        }

        return false;
    }
}
