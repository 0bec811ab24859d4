<?php

declare(strict_types=1);

namespace Heronstem\Core\Ledger;

/** What holds an address in the ledger. */
enum ClaimKind: string
{
    /** A page's own address. */
    case Page = 'page';
    /** A further address that serves a page. */
    case Also = 'also';
    /** A further or former address that redirects to a page, permanently. */
    case Redirect = 'redirect';
    /** Recorded as gone for good: answered with 410. */
    case Gone = 'gone';
    /** Kept for a page in the bin; visitors never knew it. */
    case Bin = 'bin';
    /** Held by a redirect rule. */
    case Rule = 'rule';
    case Reserved = 'reserved';
}
