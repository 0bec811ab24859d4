<?php

declare(strict_types=1);

namespace App\Desk;

use Heronstem\Core\Ripple\Ripple;

/** A batch was not applied: what it was computed from has changed, or a conflict is open. Carries the ripple as it is now. */
final class RippleChanged extends \RuntimeException
{
    public function __construct(public readonly Ripple $ripple, string $message)
    {
        parent::__construct($message);
    }
}
