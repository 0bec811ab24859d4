<?php

declare(strict_types=1);

namespace Heronstem\Core\Ripple;

/** What a batch rearranges, before and after, line by line: of the tree, or of menus. */
final readonly class Drawing
{
    /** Most lines on either side. */
    public const MAX_LINES = 40;

    /**
     * @param  list<DrawnLine>  $before
     * @param  list<DrawnLine>  $after
     */
    public function __construct(public array $before, public array $after)
    {
    }

    /** Itself, or another where it shows nothing. */
    public function orElse(self $other): self
    {
        return $this->before === [] && $this->after === [] ? $other : $this;
    }
}
