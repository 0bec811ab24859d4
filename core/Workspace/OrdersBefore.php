<?php

declare(strict_types=1);

namespace Heronstem\Core\Workspace;

use Heronstem\Core\Tree\Pages;

/**
 * Children with their positions, in order, as they were before a batch: read once a parent, several parents at a time
 * where it is known that they will be asked for. What is held is bounded; beyond that each asking reads.
 */
final class OrdersBefore
{
    /** Children held, of all parents together. */
    private const ROOM = 50_000;

    /** @var array<string, array<string, int>> by parent; the top is '' */
    private array $orders = [];

    private int $room = self::ROOM;

    public function __construct(private readonly Pages $pages)
    {
    }

    /**
     * Reads the children of these pages in one go.
     *
     * @param  list<string>  $parents
     */
    public function expect(array $parents): void
    {
        $unknown = array_values(array_filter($parents, fn (string $parent): bool => ! isset($this->orders[$parent])));
        if ($unknown === [] || $this->room <= 0) {
            return;
        }
        $found = $this->pages->childOrders($unknown);
        foreach ($unknown as $parent) {
            $this->keep($parent, $found[$parent] ?? []);
        }
    }

    /** @return array<string, int> */
    public function of(?string $parent): array
    {
        return $this->orders[$parent ?? ''] ?? $this->keep($parent ?? '', $this->pages->childOrder($parent));
    }

    /**
     * @param  array<string, int>  $order
     * @return array<string, int>
     */
    private function keep(string $parent, array $order): array
    {
        // A page without children takes room as well.
        $size = count($order) + 1;
        if ($size <= $this->room) {
            $this->room -= $size;
            $this->orders[$parent] = $order;
        }

        return $order;
    }
}
