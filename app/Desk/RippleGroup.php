<?php

declare(strict_types=1);

namespace App\Desk;

/** What the consequences of a batch are sorted by, in the order in which a manager cares. */
enum RippleGroup: string
{
    case Addresses = 'addresses';
    case RedirectsWritten = 'redirectsWritten';
    case RedirectsDropped = 'redirectsDropped';
    case Gone = 'gone';
    case Live = 'live';
    case Offline = 'offline';
    case Bin = 'bin';
    case Menu = 'menu';
    case Redirects = 'redirects';
    case RawLinks = 'rawLinks';
    case Copies = 'copies';
    case Titles = 'titles';
    case Indexing = 'indexing';
    case Canonicals = 'canonicals';
    case Visitors = 'visitors';
    case Access = 'access';

    /** Groups that cannot be read from what changed at pages and in the ledger: the history keeps their lists. */
    public const KEPT_WHOLE = [
        self::Menu,
        self::Redirects,
        self::RawLinks,
        self::Copies,
        self::Titles,
        self::Indexing,
        self::Canonicals,
        self::Visitors,
        self::Access,
    ];
}
