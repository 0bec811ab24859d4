<?php

declare(strict_types=1);

namespace App\Desk\Audit;

/** Carries what was seen out of a transaction that is taken back. */
final class Tried extends \RuntimeException
{
    public function __construct(public readonly Foresight $seen)
    {
        parent::__construct('Tried, and taken back.');
    }
}
