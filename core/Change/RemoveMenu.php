<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Workspace\Workspace;

/** Removes a menu with its entries. The pages it led to are untouched. */
final readonly class RemoveMenu implements Change
{
    use NamesItsMenu;

    public function __construct(public string $menu)
    {
    }

    public function on(Workspace $workspace): void
    {
        $workspace->menus->remove($this->menu($workspace)->id);
    }

    public function toArray(): array
    {
        return ['kind' => 'remove-menu', 'menu' => $this->menu];
    }
}
