<?php

declare(strict_types=1);

namespace Tests\Core\Memory;

use Heronstem\Core\Access\Branch;

/** The branch of somebody, over a site in memory. */
final readonly class MemoryBranch implements Branch
{
    public function __construct(private MemorySite $site, private ?string $root = null)
    {
    }

    public function root(): ?string
    {
        return $this->root;
    }

    public function holds(array $pages): array
    {
        $holds = [];
        foreach ($pages as $id) {
            if ($this->site->page($id) !== null) {
                $holds[$id] =
                    $this->root === null ||
                    in_array($this->root, array_column(iterator_to_array($this->site->withAncestors([$id]), false), 'id'), true);
            }
        }

        return $holds;
    }

    public function childOrder(?string $parent): array
    {
        return $this->site->childOrder($parent);
    }
}
