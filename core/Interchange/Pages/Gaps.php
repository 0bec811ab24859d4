<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Pages;

/** What becomes of a place in the tree that addresses pass through and that no page of the source has. */
enum Gaps: string
{
    /** A section is made there, named after its part of the address. */
    case Sections = 'sections';

    /** Nothing: the pages below stand one level higher, and their old addresses lead to them. */
    case Skip = 'skip';
}
