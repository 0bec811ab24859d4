<?php

declare(strict_types=1);

namespace Heronstem\Core\Workspace;

use Heronstem\Core\Tree\Page;

/** Pages right below others that lie in the bin on their own: looked for once a branch, however many pages of it are asked about. */
final class BinnedInside
{
    /** @var array<string, list<string>> by the page that they are below */
    private array $inside = [];

    /** @var array<string, true> tops of branches that were looked through */
    private array $looked = [];

    public function __construct(private readonly BranchTops $tops, private readonly PageOverlay $pages)
    {
    }

    /** @return list<Page> as the batch leaves them so far */
    public function of(string $page): array
    {
        $top = $this->tops->of($page);
        if (! isset($this->looked[$top])) {
            $this->looked[$top] = true;
            foreach ($this->pages->aloneInBin($top) as $binned) {
                $this->inside[$binned->parent ?? ''][] = $binned->id;
            }
        }
        $found = [];
        foreach ($this->inside[$page] ?? [] as $id) {
            $binned = $this->pages->find($id);
            if ($binned !== null && $binned->isBinned() && $binned->parent === $page) {
                $found[] = $binned;
            }
        }

        return $found;
    }
}
