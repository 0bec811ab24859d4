<?php

declare(strict_types=1);

namespace Heronstem\Core\Workspace;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Ledger\ClaimKind;

/** A further address that a batch gives to a page or takes from it. */
final readonly class AddressWish
{
    /** @param  ClaimKind|null  $kind  Also or Redirect; null for one that is taken away */
    public function __construct(public string $page, public Address $address, public ?ClaimKind $kind)
    {
    }
}
