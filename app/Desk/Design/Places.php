<?php

declare(strict_types=1);

namespace App\Desk\Design;

use Heronstem\Core\Menu\MenuKind;
use Heronstem\Core\Menu\MenuPlace;

/** Where the design that ships shows menus and picks. */
final class Places
{
    /** @return array<string, MenuPlace> by key, in the order in which visitors meet them */
    public static function all(): array
    {
        $places = [
            new MenuPlace('main', 'Main bar', MenuKind::Menu, 2, 7, 180),
            new MenuPlace('quick', 'Quick links', MenuKind::Menu, 1, 5, 180),
            new MenuPlace('footer', 'Footer', MenuKind::Menu, 2, 5, 220),
            new MenuPlace('front', 'Cards on the front page', MenuKind::Picks, 1, 9, 320),
            new MenuPlace('see-also', 'See also, beside every page', MenuKind::Picks, 1, 5, 220),
        ];

        return array_column($places, null, 'key');
    }
}
