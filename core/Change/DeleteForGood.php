<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Workspace\Workspace;

/** Empties a page out of the bin, with what went there along with it. Addresses that visitors knew go on answering. */
final readonly class DeleteForGood implements Change
{
    use NamesItsPage;

    public function __construct(public string $page)
    {
    }

    public function on(Workspace $workspace): void
    {
        $page = $workspace->known($this->page);
        if (! $page->isBinned() || $page->bin !== $page->id) {
            throw new InputRefused('page', $page->isBinned() ? "“{$page->name}” went into the bin with another page; empty that one." : "“{$page->name}” is not in the bin. Put it there first.");
        }
        if ($workspace->before($page->id)?->isBinned() !== true) {
            throw new InputRefused('page', "“{$page->name}” goes into the bin with this very batch. Empty it afterwards, so that its addresses are settled first.");
        }
        $branch = $workspace->branch($page->id);
        foreach ($branch as $id) {
            $each = $workspace->known($id);
            if ($workspace->keepsFrom($each)) {
                throw new InputRefused('page', "“{$each->name}” is kept: only the owner of the site empties it out of the bin.");
            }
        }
        // Others in the bin were once inside: they stay, and have no old place any more.
        foreach ($workspace->binnedBelow($page->id) as $other) {
            if (in_array($other->parent, $branch, true) && $other->bin === $other->id) {
                $workspace->put($other->placed(null, $other->position));
            }
        }
        foreach (array_reverse($branch) as $id) {
            $workspace->remove($id);
        }
    }

    public function toArray(): array
    {
        return ['kind' => 'empty-bin', 'page' => $this->page];
    }
}
