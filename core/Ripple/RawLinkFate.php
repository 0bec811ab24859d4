<?php

declare(strict_types=1);

namespace Heronstem\Core\Ripple;

/** What becomes of a link that is written as an address. */
enum RawLinkFate: string
{
    /** It reaches its page, or its heir, only through a redirect. */
    case Redirected = 'redirected';
    /** Another page answers at the address from now on. */
    case Diverted = 'diverted';
    /** Nothing answers there any more. */
    case Breaks = 'breaks';
    /** It becomes a link to its page, as was asked. */
    case Mended = 'mended';
}
