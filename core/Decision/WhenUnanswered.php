<?php

declare(strict_types=1);

namespace Heronstem\Core\Decision;

/** What becomes of questions that nobody answered. */
enum WhenUnanswered
{
    case StaysOpen;
    case TakesDefault;
}
