<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect;

/** What a rule does with the query of a request. */
enum QueryHandling: string
{
    /** Taken along; what the target says itself is not said twice. */
    case Carry = 'carry';
    case Drop = 'drop';
    /** The rule answers only requests whose query has its parameters; the others are passed on. */
    case Match = 'match';
}
