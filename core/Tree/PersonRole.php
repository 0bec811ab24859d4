<?php

declare(strict_types=1);

namespace Heronstem\Core\Tree;

/** What somebody has on a page. */
enum PersonRole: string
{
    case UnsavedContent = 'unsaved content';
    /** They write there and below, and nowhere else. */
    case Branch = 'branch';
}
