<?php

declare(strict_types=1);

namespace Heronstem\Core\Ripple;

use Heronstem\Core\Access\Right;

/** Somebody may do something from now on, or no longer: in a branch, as far as nothing nearer says otherwise, or on the whole site. */
final readonly class AccessEffect
{
    /**
     * @param  string|null  $branch  the page at its top; null for the whole site
     * @param  string  $branchName  blank for the whole site
     */
    public function __construct(
        public string $person,
        public string $name,
        public Right $right,
        public ?string $branch,
        public string $branchName,
        public bool $isGained,
    ) {
    }
}
