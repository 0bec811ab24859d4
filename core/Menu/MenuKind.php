<?php

declare(strict_types=1);

namespace Heronstem\Core\Menu;

enum MenuKind: string
{
    /** Entries in levels, shown where the layout has a place for a menu. */
    case Menu = 'menu';
    /** Pages chosen by hand, in their own order, shown as cards or as a list on a page. */
    case Picks = 'picks';
}
