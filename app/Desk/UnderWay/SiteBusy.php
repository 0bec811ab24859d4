<?php

declare(strict_types=1);

namespace App\Desk\UnderWay;

/** Somebody else's change of the site is being written, and takes its time. */
final class SiteBusy extends \RuntimeException
{
    public function __construct()
    {
        parent::__construct(
            'A large change of this site is being made right now. Nothing of yours was changed or lost: apply it again once that is done.',
        );
    }
}
