<?php

declare(strict_types=1);

namespace Heronstem\Core\Tree;

/** What stands at a page's address. */
enum PageKind: string
{
    /** Content of its own. */
    case Page = 'page';
    /** A group: its address leads to its first live child. */
    case Section = 'section';
    /** An entry that leads to another page, an address, a URL or a file. */
    case Pointer = 'pointer';
    /** A file with a place in the tree. */
    case Download = 'download';
}
