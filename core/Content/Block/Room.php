<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Block;

/** Where a block stands: what may stand there differs. */
enum Room
{
    /** On the page itself. */
    case Page;

    /** In a column, a quote, a list, a call-out or an answer that folds. */
    case Inside;

    /** In a cell of a table. */
    case Cell;
}
