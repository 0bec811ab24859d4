<?php

declare(strict_types=1);

namespace Heronstem\Core\Menu;

/** What an entry of a menu is. */
enum EntryKind: string
{
    case Page = 'page';
    /** An address of this site, as it is written. */
    case Address = 'address';
    /** An http(s) URL elsewhere. */
    case Url = 'url';
    case File = 'file';
    /** Seen, not clicked: only a label above others. */
    case Heading = 'heading';
    /** Filled from the tree: the children of a page, or the top of the tree, to a depth. */
    case Branch = 'branch';
    case Separator = 'separator';
}
