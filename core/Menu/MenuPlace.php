<?php

declare(strict_types=1);

namespace Heronstem\Core\Menu;

/** Where a layout shows a menu or picks. */
final readonly class MenuPlace
{
    /**
     * @param  int  $levels  that it shows
     * @param  int  $most  entries on its first level before it gets crowded; a convention of the trade
     * @param  int  $widest  px that a label has on its first level
     */
    public function __construct(
        public string $key,
        public string $name,
        public MenuKind $kind,
        public int $levels = 1,
        public int $most = 7,
        public int $widest = 240,
    ) {
    }
}
