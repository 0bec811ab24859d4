<?php

declare(strict_types=1);

namespace Heronstem\Core\Workspace;

use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\Pages;

/** Children with their positions, in order, as a batch leaves them: read once a parent, and then kept up to date. */
final class SiblingOrders
{
    /** @var array<string, array<string, int>> by parent; the top is '' */
    private array $orders = [];

    /** @var array<string, true> parents whose children have to be sorted again */
    private array $unsorted = [];

    public function __construct(private readonly Pages $pages)
    {
    }

    /**
     * @param  iterable<string|int, Page|null>  $changed  what the batch changed so far, by identity
     * @return array<string, int>
     */
    public function of(?string $parent, iterable $changed): array
    {
        $key = $parent ?? '';
        if (! isset($this->orders[$key])) {
            $this->orders[$key] = $this->pages->childOrder($parent);
            foreach ($changed as $id => $page) {
                unset($this->orders[$key][$id]);
                if ($page !== null && $page->parent === $parent && ! $page->isBinned()) {
                    $this->orders[$key][$page->id] = $page->position;
                }
            }
            $this->unsorted[$key] = true;
        }
        if (isset($this->unsorted[$key])) {
            asort($this->orders[$key]);
            unset($this->unsorted[$key]);
        }

        return $this->orders[$key];
    }

    public function add(Page $page): void
    {
        $key = $page->parent ?? '';
        if (! isset($this->orders[$key]) || $page->isBinned()) {
            return;
        }
        $last = array_key_last($this->orders[$key]);
        $this->orders[$key][$page->id] = $page->position;
        if ($last !== null && $this->orders[$key][$last] >= $page->position) {
            $this->unsorted[$key] = true;
        }
    }

    public function remove(?Page $page): void
    {
        if ($page !== null) {
            unset($this->orders[$page->parent ?? ''][$page->id]);
        }
    }
}
