<?php

declare(strict_types=1);

namespace Heronstem\Core\Ripple;

/** One line of a drawing: a page, the top of the tree (no page, no name), or how many pages are left out. */
final readonly class DrawnLine
{
    /** @param  int  $level  0 for a parent, 1 for what is inside it */
    public function __construct(public ?string $page, public string $name, public int $level, public ?Mark $mark, public int $leftOut)
    {
    }
}
