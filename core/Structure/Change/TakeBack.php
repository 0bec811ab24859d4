<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure\Change;

use Heronstem\Core\Structure\Change;
use Heronstem\Core\Structure\ChangeRefused;
use Heronstem\Core\Structure\ClaimDifference;
use Heronstem\Core\Structure\PageDifference;
use Heronstem\Core\Structure\Workspace;

/**
 * Restores what an applied batch changed: every page's own fields, and the claims it made or dropped.
 * Goes through the planner like any change, so it has a ripple of its own and can be taken back too.
 */
final readonly class TakeBack implements Change
{
    /**
     * @param  string  $entry  the history entry being taken back
     * @param  list<PageDifference>  $pages  what that entry did
     * @param  list<ClaimDifference>  $claims
     */
    public function __construct(public string $entry, public array $pages, public array $claims)
    {
    }

    public function on(Workspace $workspace): void
    {
        // Backwards, so that a page made inside another made page goes first.
        foreach (array_reverse($this->pages) as $difference) {
            $now = $workspace->find($difference->page);
            if ($difference->wasMade()) {
                $this->unmake($difference, $workspace);

                continue;
            }
            if ($difference->wasRemoved()) {
                if ($now !== null) {
                    throw new ChangeRefused('entry', "“{$now->name}” is back already.");
                }
                $workspace->put($difference->restored($workspace->rules()));

                continue;
            }
            $page = $workspace->page($difference->page);
            $strayed = $difference->strayedIn($page);
            if ($strayed !== null) {
                throw new ChangeRefused('entry', "The $strayed of “{$page->name}” has changed again since. Take the later change back first, or set it by hand.");
            }
            $workspace->put($difference->undoneIn($page, $workspace->rules()));
        }
        foreach ($this->pages as $difference) {
            $this->guardPlace($difference->page, $workspace);
        }
    }

    public function toArray(): array
    {
        return ['kind' => 'take-back', 'entry' => $this->entry];
    }

    private function unmake(PageDifference $difference, Workspace $workspace): void
    {
        $page = $workspace->page($difference->page);
        $strayed = $difference->strayedIn($page);
        if ($strayed !== null) {
            throw new ChangeRefused('entry', "The $strayed of “{$page->name}” has changed since it was made. Take that back first.");
        }
        $inside = count($workspace->childOrder($page->id));
        if ($inside > 0) {
            throw new ChangeRefused('entry', "“{$page->name}” has $inside page(s) inside it by now. Move them out first.");
        }
        $workspace->remove($page->id);
    }

    private function guardPlace(string $id, Workspace $workspace): void
    {
        $page = $workspace->find($id);
        if ($page === null) {
            return;
        }
        $steps = [$id => true];
        for ($above = $page; $above->parent !== null;) {
            $parent = $above->parent;
            if (isset($steps[$parent])) {
                throw new ChangeRefused('entry', "“{$page->name}” cannot go back: the page it was inside now lies inside it.");
            }
            $steps[$parent] = true;
            $above = $workspace->find($parent)
                ?? throw new ChangeRefused('entry', "“{$page->name}” cannot go back: the page it was inside is gone.");
        }
        // Somebody may have put another page exactly where this one was.
        $order = $workspace->childOrder($page->parent);
        while (count(array_keys($order, $page->position, true)) > 1) {
            $page = $page->placed($page->parent, $page->position + 1);
            $order[$page->id] = $page->position;
            $workspace->put($page);
        }
    }
}
