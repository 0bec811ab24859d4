<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure\Change;

use Heronstem\Core\Structure\AlreadySo;
use Heronstem\Core\Structure\Change;
use Heronstem\Core\Structure\Name;
use Heronstem\Core\Structure\Workspace;

/** Gives a menu another name, by which managers know it; visitors do not see it. */
final readonly class RenameMenu implements Change
{
    use NamesItsMenu;

    public function __construct(public string $menu, public Name $name)
    {
    }

    public function on(Workspace $workspace): void
    {
        $menu = $this->menu($workspace);
        if ($menu->name === $this->name->text) {
            throw new AlreadySo('name', "The menu is called “{$menu->name}” already.");
        }
        MenuNames::guard($this->name, $menu->id, $workspace);
        $workspace->menus->put($menu->named($this->name->text));
    }

    public function toArray(): array
    {
        return ['kind' => 'rename-menu', 'menu' => $this->menu, 'name' => $this->name->text];
    }
}
