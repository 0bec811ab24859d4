<?php

declare(strict_types=1);

namespace Heronstem\Core\Menu;

/** Why visitors do not see an entry, or a page in a menu. */
enum Hidden: string
{
    case NotYet = 'not-yet';
    case Over = 'over';
    case Audience = 'audience';
    /** The page is closed to whoever looks, or what it stands below. */
    case Closed = 'closed';
    case Draft = 'draft';
    case InReview = 'review';
    case Offline = 'offline';
    case Unlisted = 'unlisted';
    case Bin = 'bin';
    /** What it leads to is no longer there. */
    case Gone = 'gone';
    /** A heading, or a branch, with nothing below it that visitors see. */
    case Blank = 'blank';
    /** What it stands under is hidden. */
    case Above = 'above';
    /** An exception of its branch. */
    case LeftOut = 'left-out';
}
