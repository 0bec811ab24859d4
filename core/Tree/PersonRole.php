<?php

declare(strict_types=1);

namespace Heronstem\Core\Tree;

/** What somebody has on a page. */
enum PersonRole: string
{
    case UnsavedWords = 'unsaved words';
    /** They write there and below, and nowhere else. */
    case Branch = 'branch';
}
