<?php

declare(strict_types=1);

namespace Heronstem\Core\Ripple;

use Heronstem\Core\Menu\Menu;

/** What becomes of one entry of a menu as visitors see it. */
final readonly class MenuEffect
{
    /**
     * @param  string  $entry  the entry, or the branch that shows the page
     * @param  string|null  $page  the page it leads to
     * @param  string  $label  as it will be; as it was, for an entry that vanishes
     * @param  string|null  $under  the label it stands under afterwards, null on the first level
     */
    public function __construct(
        public MenuEffectKind $kind,
        public Menu $menu,
        public string $entry,
        public ?string $page,
        public string $label,
        public ?string $under,
    ) {
    }
}
