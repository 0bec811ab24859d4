<?php

declare(strict_types=1);

namespace Heronstem\Core\Address;

/** What holds an address in the ledger. */
enum ClaimKind: string
{
    case Page = 'page';
    case Redirect = 'redirect';
    case Reserved = 'reserved';
}
