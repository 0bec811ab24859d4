<?php

declare(strict_types=1);

namespace Heronstem\Core\Workspace;

use Heronstem\Core\Tree\PackedPages;
use Heronstem\Core\Tree\Page;

/** Children with their positions, in order, as a batch leaves them: read once a parent, and then kept up to date. */
final class SiblingOrders
{
    /** @var array<string, array<string, int>> by parent; the top is '' */
    private array $orders = [];

    /** @var array<string, array<string, int>> what the batch placed, by parent, also where nobody asked for the order yet */
    private array $placed = [];

    /** @var array<string, true> parents whose children have to be sorted again */
    private array $unsorted = [];

    public function __construct(private readonly OrdersBefore $before)
    {
    }

    /**
     * Cost of a parent that was not asked for yet: its children, not the batch.
     *
     * @param  PackedPages  $changed  what the batch changed so far
     * @param  bool  $isNew  whether the parent was not there before the batch, so that nothing is stored below it
     * @return array<string, int>
     */
    public function of(?string $parent, PackedPages $changed, bool $isNew = false): array
    {
        $key = $parent ?? '';
        if (! isset($this->orders[$key])) {
            $stored = $isNew ? [] : $changed->others($this->before->of($parent));
            $this->orders[$key] = $stored + ($this->placed[$key] ?? []);
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
        if ($page->isBinned()) {
            return;
        }
        $this->placed[$key][$page->id] = $page->position;
        if (! isset($this->orders[$key])) {
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
            unset($this->orders[$page->parent ?? ''][$page->id], $this->placed[$page->parent ?? ''][$page->id]);
        }
    }
}
