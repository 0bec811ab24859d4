<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

/** In what state pages leave the bin. */
enum RestoredState: string
{
    case AsItWas = 'as-it-was';
    /** What was live waits, to be looked at before visitors see it again. */
    case Offline = 'offline';
}
