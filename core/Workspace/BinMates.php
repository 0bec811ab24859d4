<?php

declare(strict_types=1);

namespace Heronstem\Core\Workspace;

/**
 * In the bin a page lies on its own, or with the one right above it: those come back, and are deleted for good, together. Undoing leaves
 * pages there whose mate is out of it, or elsewhere, by now; each of them lies with the one above it then, or on its own where that is not
 * in the bin.
 */
final class BinMates
{
    /** @var array<string, true> pages looked at */
    private array $settled = [];

    private function __construct(private readonly PageOverlay $pages)
    {
    }

    public static function settle(PageOverlay $pages): void
    {
        $mates = new self($pages);
        foreach (array_keys($mates->mayBeLeft()) as $id) {
            $mates->settlePage((string) $id);
        }
    }

    /** @return array<string, true> by page: what the batch touched, and what lay in the bin with something that it touched */
    private function mayBeLeft(): array
    {
        $found = $roots = [];
        foreach ($this->pages->touched() as $id) {
            $found[$id] = true;
            $was = $this->pages->before($id)?->bin;
            if ($was !== null && $this->pages->find($id)?->bin !== $was) {
                $roots[$was] = true;
            }
        }
        foreach (array_keys($roots) as $root) {
            $found += array_fill_keys($this->pages->branchBefore((string) $root), true);
        }

        return $found;
    }

    /** The one above is settled first. */
    private function settlePage(string $id): void
    {
        $page = isset($this->settled[$id]) ? null : $this->pages->find($id);
        $this->settled[$id] = true;
        if ($page === null || $page->bin === null || $page->bin === $id) {
            return;
        }
        $above = null;
        if ($page->parent !== null) {
            $this->settlePage($page->parent);
            $above = $this->pages->find($page->parent)?->bin;
        }
        if ($page->bin !== ($above ?? $id)) {
            $this->pages->put($page->with(['bin' => $above ?? $id]));
        }
    }
}
