<?php

declare(strict_types=1);

namespace Heronstem\Core\Ripple;

use Heronstem\Core\Menu\MenuDifference;

/** What a batch does to menus, and what becomes of links in content. */
final readonly class MenuAndLinkEffects
{
    /**
     * @param  list<MenuDifference>  $menus  what changes in menus themselves
     * @param  list<MenuEffect>  $entries  what visitors see of menus, entry by entry
     * @param  list<string>  $touched  menus that may look different
     * @param  int  $linksFollow  links in content that lead to moved pages, and follow by themselves
     * @param  int  $linksBreak  links in content that lead to pages which visitors no longer get
     * @param  int  $linksClosed  links in content that lead to pages which were open to everyone and are not any more
     * @param  list<RawLinkEffect>  $rawLinks  links written as addresses that go through a redirect, lead elsewhere or break
     */
    public function __construct(
        public array $menus,
        public array $entries,
        public array $touched,
        public int $linksFollow,
        public int $linksBreak,
        public array $rawLinks,
        public int $linksClosed = 0,
    ) {
    }
}
