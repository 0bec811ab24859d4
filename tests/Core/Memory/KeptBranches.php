<?php

declare(strict_types=1);

namespace Tests\Core\Memory;

use Heronstem\Core\Tree\StartingPoints;

/** Starting points in memory. */
final readonly class KeptBranches implements StartingPoints
{
    /** @param  array<string, list<\Heronstem\Core\Tree\Page>>  $kept  by starting point */
    public function __construct(private array $kept)
    {
    }

    public function pages(string $id): array
    {
        return $this->kept[$id] ?? [];
    }
}
