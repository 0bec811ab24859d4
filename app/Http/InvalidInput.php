<?php

declare(strict_types=1);

namespace App\Http;

/** Input that cannot be taken in at all: of the wrong type, not text, too large. Says where, and what would do. */
final class InvalidInput extends \RuntimeException
{
    /** @param  int  $status  400 where it cannot be read, 413 too large, 415 another format, 422 of a wrong type */
    public function __construct(public readonly int $status, public readonly string $field, string $reason)
    {
        parent::__construct($reason);
    }
}
