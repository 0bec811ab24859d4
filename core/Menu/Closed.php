<?php

declare(strict_types=1);

namespace Heronstem\Core\Menu;

/** What a menu shows of pages to those who may not see them. */
enum Closed: string
{
    /** Nothing. */
    case LeftOut = 'left-out';
    /** The entry with a lock: it leads to the page, and those who come there are told how to get in. */
    case Locked = 'locked';
    /** The entry with a lock, which cannot be clicked. */
    case Shown = 'shown';
}
