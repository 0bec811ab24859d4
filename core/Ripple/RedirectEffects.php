<?php

declare(strict_types=1);

namespace Heronstem\Core\Ripple;

use Heronstem\Core\Redirect\RuleDifference;

/** What a batch does to redirect rules. */
final readonly class RedirectEffects
{
    /** @param  list<RuleDifference>  $rules */
    public function __construct(public array $rules)
    {
    }
}
