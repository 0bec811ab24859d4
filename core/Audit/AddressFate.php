<?php

declare(strict_types=1);

namespace Heronstem\Core\Audit;

/** What visitors get at an address. */
enum AddressFate: string
{
    case Page = 'page';
    case Redirect = 'redirect';
    case Gone = 'gone';
    case Nothing = 'nothing';
    /** A file, or what belongs to the system. */
    case Other = 'other';
}
