<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure;

enum NoteKind: string
{
    /** The page is live, and a page above it (`other`) is not. */
    case LiveUnderHidden = 'live-under-hidden';
    /** Visitors of the site's start get no page. */
    case StartPageHidden = 'start-page-hidden';
    /** The address that visitors knew now answers with another page (`other`). */
    case AddressTakenOver = 'address-taken-over';
}
