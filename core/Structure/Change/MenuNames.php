<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure\Change;

use Heronstem\Core\Structure\ChangeRefused;
use Heronstem\Core\Structure\Name;
use Heronstem\Core\Structure\Workspace;

/** No two menus of a site have one name. */
final class MenuNames
{
    /**
     * @param  string|null  $menu  the menu that is to have the name
     *
     * @throws ChangeRefused
     */
    public static function guard(Name $name, ?string $menu, Workspace $workspace): void
    {
        foreach ($workspace->menus->after() as $other) {
            if ($other->id !== $menu && mb_strtolower($other->name) === mb_strtolower($name->text)) {
                throw new ChangeRefused('name', "There is a menu “{$other->name}” already. Choose a name of its own.", "{$name->text} 2");
            }
        }
    }
}
