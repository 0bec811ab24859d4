<?php

declare(strict_types=1);

namespace Heronstem\Core\Menu;

/** Something noticed in a menu, with what would mend it. */
final readonly class MenuFinding
{
    /**
     * @param  string|null  $entry  the entry it is about; null for the menu as a whole
     * @param  string  $label  of that entry
     * @param  string|null  $page  the page that is the way out: to link to, or to put live
     * @param  int|null  $count  how many there are
     * @param  int|null  $most  how many there should be at most
     */
    public function __construct(
        public MenuFindingKind $kind,
        public ?string $entry,
        public string $label,
        public ?Hidden $hidden = null,
        public ?string $page = null,
        public ?int $count = null,
        public ?int $most = null,
    ) {
    }
}
