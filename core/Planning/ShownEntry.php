<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

/** One entry as visitors see it, boiled down to what can be compared. */
final readonly class ShownEntry
{
    /**
     * @param  string  $parent  what it stands under: an entry, or within a branch a page; empty on the first level
     * @param  string|null  $under  that one's label
     */
    public function __construct(public ?string $page, public string $label, public string $parent, public ?string $under)
    {
    }
}
