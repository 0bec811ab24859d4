<?php

declare(strict_types=1);

namespace App\Desk\Plans;

/** Ends a transaction in which something was tried. */
final class TakenBack extends \RuntimeException
{
}
