<?php

declare(strict_types=1);

namespace Heronstem\Core\Workspace;

use Heronstem\Core\Ledger\Claim;

/** What is at one address, and what the batch leaves there, where that was planned. */
final class HeldClaim
{
    /** @param  Claim|false|null  $then  false as long as nothing is planned */
    public function __construct(public ?Claim $now = null, public Claim|false|null $then = false)
    {
    }
}
