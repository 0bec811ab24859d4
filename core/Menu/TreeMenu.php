<?php

declare(strict_types=1);

namespace Heronstem\Core\Menu;

use Heronstem\Core\Structure\Page;

/** The main menu filled from the tree: live, listed pages of the first two levels. */
final class TreeMenu
{
    /** Levels the menu shows: the bar and its drop-downs. */
    public const LEVELS = 2;

    /**
     * The page's entry, or null where the menu does not show it.
     *
     * @param  \Closure(string): ?Page  $pages  finds a page by identity
     */
    public static function entry(?Page $page, \Closure $pages): ?MenuEntry
    {
        if ($page === null || ! $page->isShown()) {
            return null;
        }
        $parent = $page->parent === null ? null : $pages($page->parent);
        if ($parent !== null && ($parent->parent !== null || ! $parent->isShown())) {
            return null;
        }

        return new MenuEntry($page->id, $page->name, $parent?->id, $page->position);
    }
}
