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
    case Copies = 'copies';
}
