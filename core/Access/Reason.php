<?php

declare(strict_types=1);

namespace Heronstem\Core\Access;

/** What a verdict rests on. */
enum Reason: string
{
    /** Owners may do everything. */
    case Owner = 'owner';
    /** A line says so. */
    case Line = 'line';
    /** No line speaks of it anywhere. */
    case NothingSaid = 'nothing-said';
    /** Whoever may not see may do nothing else; the line, if there is one, denies seeing. */
    case NotSeen = 'not-seen';
}
