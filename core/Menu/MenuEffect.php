<?php

declare(strict_types=1);

namespace Heronstem\Core\Menu;

/** What becomes of one entry of the menu that is filled from the tree. */
final readonly class MenuEffect
{
    /**
     * @param  string  $label  as it will be; as it was, for an entry that vanishes
     * @param  string|null  $under  the entry it stands under afterwards, null on the bar itself
     */
    public function __construct(public MenuEffectKind $kind, public string $page, public string $label, public ?string $under)
    {
    }
}
