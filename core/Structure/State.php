<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure;

/** Whether visitors get a page: not yet, now, or no longer. */
enum State: string
{
    case Draft = 'draft';
    case Live = 'live';
    case Offline = 'offline';
}
