<?php

declare(strict_types=1);

namespace Heronstem\Core\Menu;

/** Port: the menus and picks of one site. */
interface Menus
{
    /** @return array<string, Menu> by identity; a few dozen at most, each with all its entries */
    public function all(): array;
}
