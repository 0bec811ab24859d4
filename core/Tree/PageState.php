<?php

declare(strict_types=1);

namespace Heronstem\Core\Tree;

/** Whether visitors get a page: not yet, now, no longer, or never while it lies in the bin. */
enum PageState: string
{
    case Draft = 'draft';
    /** A draft that somebody is asked to look at. */
    case InReview = 'review';
    case Live = 'live';
    case Offline = 'offline';
    case Binned = 'bin';
}
