<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Tree\PageName;
use Heronstem\Core\Workspace\Workspace;

/** Gives a menu another name, by which managers know it; visitors do not see it. */
final readonly class RenameMenu implements Change
{
    use NamesItsMenu;

    public function __construct(public string $menu, public PageName $name)
    {
    }

    public function on(Workspace $workspace): void
    {
        $menu = $this->menu($workspace);
        if ($menu->name === $this->name->text) {
            throw new NothingToChange('name', "The menu is called “{$menu->name}” already.");
        }
        MenuNames::guard($this->name, $menu->id, $workspace);
        $workspace->menus->put($menu->named($this->name->text));
    }

    public function toArray(): array
    {
        return ['kind' => 'rename-menu', 'menu' => $this->menu, 'name' => $this->name->text];
    }
}
