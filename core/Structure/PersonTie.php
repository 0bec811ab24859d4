<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure;

/** What somebody has on a page. */
enum PersonTie: string
{
    case UnsavedWords = 'unsaved words';
    /** They write there and below, and nowhere else. */
    case Branch = 'branch';
}
