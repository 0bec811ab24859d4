<?php

declare(strict_types=1);

namespace Heronstem\Core\Menu;

/** An entry of the main menu as visitors see it: on the bar (no parent), or one level below. */
final readonly class MenuEntry
{
    public function __construct(public string $page, public string $label, public ?string $parent, public int $position)
    {
    }
}
