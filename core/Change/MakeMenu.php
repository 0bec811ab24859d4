<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Menu\Menu;
use Heronstem\Core\Menu\MenuKind;
use Heronstem\Core\Tree\PageName;
use Heronstem\Core\Workspace\Workspace;

/** Makes a menu, or a list of picks, with no entry and shown nowhere yet. */
final readonly class MakeMenu implements Change
{
    use NamesItsMenu;

    public function __construct(public string $menu, public PageName $name, public MenuKind $kind)
    {
    }

    public function on(Workspace $workspace): void
    {
        if ($workspace->menus->find($this->menu) !== null) {
            throw new InputRefused('menu', 'This identity belongs to a menu already. Take a new one.');
        }
        MenuNames::guard($this->name, null, $workspace);
        $workspace->menus->put(new Menu($this->menu, $this->name->text, $this->kind, null));
    }

    public function toArray(): array
    {
        return ['kind' => 'make-menu', 'menu' => $this->menu, 'name' => $this->name->text, 'of' => $this->kind->value];
    }
}
