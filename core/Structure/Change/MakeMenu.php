<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure\Change;

use Heronstem\Core\Menu\Menu;
use Heronstem\Core\Menu\MenuKind;
use Heronstem\Core\Structure\Change;
use Heronstem\Core\Structure\ChangeRefused;
use Heronstem\Core\Structure\Name;
use Heronstem\Core\Structure\Workspace;

/** Makes a menu, or a list of picks, with no entry and shown nowhere yet. */
final readonly class MakeMenu implements Change
{
    use NamesItsMenu;

    public function __construct(public string $menu, public Name $name, public MenuKind $kind)
    {
    }

    public function on(Workspace $workspace): void
    {
        if ($workspace->menus->find($this->menu) !== null) {
            throw new ChangeRefused('menu', 'This identity belongs to a menu already. Take a new one.');
        }
        MenuNames::guard($this->name, null, $workspace);
        $workspace->menus->put(new Menu($this->menu, $this->name->text, $this->kind, null));
    }

    public function toArray(): array
    {
        return ['kind' => 'make-menu', 'menu' => $this->menu, 'name' => $this->name->text, 'of' => $this->kind->value];
    }
}
