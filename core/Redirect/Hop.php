<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect;

/** One step from an address to the next, with the status that sends it on and why. */
final readonly class Hop
{
    public function __construct(public string $from, public string $to, public int $status, public string $why)
    {
    }
}
