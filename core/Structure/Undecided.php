<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure;

/** What becomes of questions that nobody answered. */
enum Undecided
{
    case StaysOpen;
    case TakesDefault;
}
