<?php

declare(strict_types=1);

namespace Heronstem\Core\Linking;

/** What is known of a link to another site. */
enum OutsideState: string
{
    /** Not tried yet, or whoever answers there does not let programs look. */
    case Unknown = 'unknown';
    case Works = 'works';
    /** It works, by a redirect that is meant to last. */
    case Moved = 'moved';
    case Broken = 'broken';
}
