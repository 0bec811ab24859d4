<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Change\Change;

/** Changes of a plan that were prepared together. */
final readonly class PlanStep
{
    /** @param  non-empty-list<Change>  $changes */
    public function __construct(public string $id, public array $changes)
    {
    }
}
