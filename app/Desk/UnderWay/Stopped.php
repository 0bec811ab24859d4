<?php

declare(strict_types=1);

namespace App\Desk\UnderWay;

/** Somebody stopped it before it was written. */
final class Stopped extends \RuntimeException
{
}
