<?php

declare(strict_types=1);

namespace Heronstem\Core\Workspace;

use Heronstem\Core\InputRefused;

/** Where a page goes: inside a parent (last, or first) or beside a sibling. */
final readonly class Place
{
    private function __construct(public PlaceKind $kind, public ?string $page)
    {
    }

    /** @param  string|null  $parent null for the top of the tree */
    public static function lastIn(?string $parent): self
    {
        return new self(PlaceKind::Last, $parent);
    }

    public static function firstIn(?string $parent): self
    {
        return new self(PlaceKind::First, $parent);
    }

    public static function before(string $sibling): self
    {
        return new self(PlaceKind::Before, $sibling);
    }

    public static function after(string $sibling): self
    {
        return new self(PlaceKind::After, $sibling);
    }

    /** @throws InputRefused when parent or sibling does not exist */
    public function parentIn(Workspace $workspace): ?string
    {
        if ($this->kind === PlaceKind::Before || $this->kind === PlaceKind::After) {
            return $workspace->pages->page((string) $this->page, 'place')->parent;
        }

        return $this->page === null ? null : $workspace->pages->page($this->page, 'place')->id;
    }

    /**
     * A free position there; siblings are given new ones only when the room between two is used up.
     *
     * @param  string  $mover  the page being placed, not counted as its own neighbour
     */
    public function positionIn(Workspace $workspace, string $mover): int
    {
        $order = $workspace->pages->childOrder($this->parentIn($workspace));
        unset($order[$mover]);
        $ids = array_map(strval(...), array_keys($order));
        $index = match ($this->kind) {
            PlaceKind::First => 0,
            PlaceKind::Last => count($ids),
            PlaceKind::Before => (int) array_search($this->page, $ids, true),
            PlaceKind::After => (int) array_search($this->page, $ids, true) + 1,
        };
        $low = $index > 0 ? $order[$ids[$index - 1]] : null;
        $high = $index < count($ids) ? $order[$ids[$index]] : null;
        if ($low === null) {
            return $high === null ? 0 : $high - PageOverlay::GAP;
        }
        if ($high === null) {
            return $low + PageOverlay::GAP;
        }
        if ($high - $low > 1) {
            return $low + intdiv($high - $low, 2);
        }
        foreach ($ids as $i => $id) {
            $sibling = $workspace->pages->page($id);
            $workspace->pages->put($sibling->placed($sibling->parent, ($i < $index ? $i : $i + 1) * PageOverlay::GAP));
        }

        return $index * PageOverlay::GAP;
    }

    /** @return array<string, string|null> */
    public function toArray(): array
    {
        return [$this->kind->value => $this->page];
    }
}
