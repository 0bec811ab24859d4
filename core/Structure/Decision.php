<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure;

use Heronstem\Core\Address\Address;

/** The manager's answer where a ripple could not go on by itself: let a redirect at this address give way. */
final readonly class Decision
{
    public function __construct(public Address $replaceRedirectAt)
    {
    }
}
