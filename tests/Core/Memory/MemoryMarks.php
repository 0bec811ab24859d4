<?php

declare(strict_types=1);

namespace Tests\Core\Memory;

use Heronstem\Core\Access\Marks;

/** Where pages stand among branches, over a site in memory. */
final readonly class MemoryMarks implements Marks
{
    public function __construct(private MemorySite $site)
    {
    }

    public function around(array $pages, array $branches): array
    {
        $around = [];
        foreach ($pages as $id) {
            if ($this->site->page($id) === null) {
                continue;
            }
            $line = array_column(iterator_to_array($this->site->withAncestors([$id]), false), null, 'id');
            $around[$id] = [];
            for ($page = $line[$id] ?? null; $page !== null; $page = $line[$page->parent ?? ''] ?? null) {
                if (in_array($page->id, $branches, true)) {
                    $around[$id][] = $page->id;
                }
            }
        }

        return $around;
    }

    public function childOrder(?string $parent): array
    {
        return $this->site->childOrder($parent);
    }
}
