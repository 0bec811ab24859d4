<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Tree\PageName;
use Heronstem\Core\Workspace\Workspace;

/** No two menus of a site have one name. */
final class MenuNames
{
    /**
     * @param  string|null  $menu  the menu that is to have the name
     *
     * @throws InputRefused
     */
    public static function guard(PageName $name, ?string $menu, Workspace $workspace): void
    {
        foreach ($workspace->menus->after() as $other) {
            if ($other->id !== $menu && mb_strtolower($other->name) === mb_strtolower($name->text)) {
                throw new InputRefused('name', "There is a menu “{$other->name}” already. Choose a name of its own.", "{$name->text} 2");
            }
        }
    }

    /** The name, with a number behind it where another menu has it. */
    public static function free(string $name, string $menu, Workspace $workspace): string
    {
        $taken = [];
        foreach ($workspace->menus->after() as $other) {
            $taken[mb_strtolower($other->name)] = $other->id !== $menu || isset($taken[mb_strtolower($other->name)]);
        }
        for ($free = $name, $i = 2; $taken[mb_strtolower($free)] ?? false; $i++) {
            $free = "$name $i";
        }

        return $free;
    }
}
