<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Menu\Menu;
use Heronstem\Core\Workspace\Workspace;

/** Of changes that are made to one menu. */
trait NamesItsMenu
{
    public function pagesNamed(): array
    {
        return [];
    }

    /** @throws InputRefused when there is no such menu on the site */
    private function menu(Workspace $workspace): Menu
    {
        return $workspace->menus->find($this->menu) ??
            throw new InputRefused('menu', "There is no menu {$this->menu} on this site. It may have been removed; reload the menus.");
    }
}
