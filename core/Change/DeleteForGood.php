<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Workspace\Workspace;

/** Empties a page out of the bin, with what went there along with it. Addresses that visitors knew go on answering. */
final readonly class DeleteForGood implements RequestedChange
{
    use HasShape, NamesItsPage;

    public function __construct(public string $page)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of('delete-for-good', Subject::Pages);
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->page());
    }

    public function on(Workspace $workspace): void
    {
        $page = $workspace->pages->known($this->page);
        if (! $page->isBinned() || $page->bin !== $page->id) {
            throw new InputRefused(
                'page',
                $page->isBinned()
                    ? "“{$page->name}” went into the bin with another page; delete that one for good."
                    : "“{$page->name}” is not in the bin. Put it there first.",
            );
        }
        if ($workspace->pages->before($page->id)?->isBinned() !== true) {
            throw new InputRefused(
                'page',
                "“{$page->name}” goes into the bin with this very batch. Delete it for good afterwards, so that its addresses are settled first.",
            );
        }
        $branch = $workspace->pages->branch($page->id);
        foreach ($branch as $id) {
            $each = $workspace->pages->known($id);
            if ($workspace->isProtectedFrom($each)) {
                throw new InputRefused('page', "“{$each->name}” is protected: only the owner of the site deletes it for good.");
            }
        }
        // Others in the bin were once inside: they stay, and have no old place any more.
        $goes = array_fill_keys($branch, true);
        foreach ($workspace->pages->aloneInBin($page->id) as $other) {
            if (isset($goes[(string) $other->parent])) {
                $workspace->pages->put($other->placed(null, $other->position));
            }
        }
        foreach (array_reverse($branch) as $id) {
            $workspace->pages->remove($id);
        }
    }

    public function sentence(Outcome $outcome): string
    {
        return "Deleted {$outcome->page($this->page)} for good";
    }

    public function toArray(): array
    {
        return ['kind' => 'delete-for-good', 'page' => $this->page];
    }
}
