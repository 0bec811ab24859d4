<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect;

/** How much a rule answers for. */
enum RuleScope: string
{
    case One = 'one';
    /** An address and everything below it. */
    case Branch = 'branch';
    /** Every path that a URLPattern pathname (WHATWG URL Pattern Standard) matches. */
    case Pattern = 'pattern';
}
