<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Address\AddressShift;
use Heronstem\Core\Tree\CarriedPage;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Workspace\CarriedPages;
use Heronstem\Core\Workspace\Workspace;

/**
 * Sorts what is below pages that move into what is carried along plainly and what has to be looked at by itself.
 * Cost: one look at each branch, in few words.
 */
final class CarriedBranches
{
    public readonly CarriedPages $pages;

    /** @var array<string, true> */
    private array $others = [];

    /** @var array<string, true> */
    private readonly array $touched;

    /** @param  array<string, true>  $tops  pages that move themselves: what is below them goes along with them alone */
    public function __construct(private readonly Workspace $workspace, private readonly array $tops)
    {
        $this->pages = new CarriedPages();
        $this->touched = array_fill_keys($workspace->pages->touched(), true);
    }

    /** @param  int  $room  levels that may be below the page */
    public function takeAlong(Page $top, AddressShift $shift, int $room): void
    {
        $levels = [$top->id => 0];
        $elsewhere = [];
        foreach ($this->workspace->pages->carriedBefore($top->id, $shift) as $page) {
            $parent = (string) $page->parent;
            if (isset($this->tops[$page->id]) || isset($elsewhere[$parent])) {
                $elsewhere[$page->id] = true;

                continue;
            }
            $level = ($levels[$parent] ?? $room) + 1;
            if ($level <= $room && $this->isPlain($page) && $this->pages->add($page, $shift, $top->id, $level)) {
                $levels[$page->id] = $level;
            } else {
                $this->others[$page->id] = true;
            }
        }
    }

    /** @return list<string> pages that have to be looked at by themselves */
    public function others(): array
    {
        return array_map(strval(...), array_keys($this->others));
    }

    private function isPlain(CarriedPage $page): bool
    {
        return $page->isPlain &&
            ! isset($this->touched[$page->id]) &&
            $page->id !== $this->workspace->site->startPage &&
            $page->id !== $this->workspace->startPage();
    }
}
