<?php

declare(strict_types=1);

namespace App\Desk;

/** Somebody else changed something since it was loaded. Nothing was written. */
final class ChangedMeanwhile extends \RuntimeException
{
    public function __construct(string $what = 'Somebody changed this page meanwhile. Load it again and compare; what you typed is still here.')
    {
        parent::__construct($what);
    }
}
