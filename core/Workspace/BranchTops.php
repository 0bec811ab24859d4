<?php

declare(strict_types=1);

namespace Heronstem\Core\Workspace;

/** Of some pages, the topmost below which each of them stands, or is itself: what is asked of all of them is asked once, of that one. */
final class BranchTops
{
    /** @var array<string, string> */
    private array $tops = [];

    /** @param  array<string, true>  $pages  by identity */
    public function __construct(private readonly array $pages, private readonly PageOverlay $workspace)
    {
    }

    /** The topmost of the pages at or above this one, as they stood before the batch; the page itself where there is none. */
    public function of(string $page): string
    {
        if (isset($this->tops[$page])) {
            return $this->tops[$page];
        }
        $parent = $this->workspace->before($page)?->parent;
        $above = $parent === null ? null : $this->of($parent);

        return $this->tops[$page] = $above !== null && isset($this->pages[$above]) ? $above : $page;
    }
}
