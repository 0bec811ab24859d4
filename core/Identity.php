<?php

declare(strict_types=1);

namespace Heronstem\Core;

/** How pages, files and entries are named outside: a ULID, in Crockford's base 32. */
final class Identity
{
    private const ULID = '/^[0-7][0-9A-HJKMNP-TV-Z]{25}$/D';

    /** @phpstan-assert-if-true string $value */
    public static function names(mixed $value): bool
    {
        return is_string($value) && preg_match(self::ULID, $value) === 1;
    }
}
