<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Pages;

/** What comes of one page of a source. */
enum PlacedStatus: string
{
    case New = 'new';

    /** A section between others, which the source does not have itself. */
    case Between = 'between';
    case Changed = 'changed';

    /** There already, and nothing of it differs. */
    case Same = 'same';

    /** There already and left as it is, though it differs. */
    case Left = 'left';
    case Refused = 'refused';
}
