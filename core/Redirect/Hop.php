<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect;

/** One step from an address to the next, with the status that sends it on and why. */
final readonly class Hop
{
    /** @param  string|null  $rule  the rule that sends on; null where the ledger or a page does */
    public function __construct(public string $from, public string $to, public int $status, public string $why, public ?string $rule = null)
    {
    }
}
