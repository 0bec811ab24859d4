<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Pages;

/** In what state pages come that are new, and when visitors get what changes on those that are there. */
enum BroughtAs: string
{
    /** Drafts; changes of live pages wait as edits. */
    case Draft = 'draft';

    /** Live; changes of live pages are before visitors at once. */
    case Live = 'live';

    /** As the source says of each; drafts where it says nothing. */
    case Given = 'given';
}
