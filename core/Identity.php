<?php

declare(strict_types=1);

namespace Heronstem\Core;

use Symfony\Component\Uid\Ulid;

/** How pages, files and entries are named outside: a ULID, in Crockford's base 32. */
final class Identity
{
    private const LETTERS = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';

    /** The identity that a copy of something gets: always the same for the same two, like no other. */
    public static function derived(string $seed, string $of): string
    {
        $hash = hash('sha256', $seed.' '.$of, true);
        $letters = '';
        for ($i = 0; $i < 16; $i++) {
            $letters .= self::LETTERS[ord($hash[$i]) & 31];
        }

        return substr(str_pad($seed, 10, '0'), 0, 10).$letters;
    }

    /**
     * Capitals only: what is compared sign by sign has one spelling.
     *
     * @phpstan-assert-if-true =string $value
     */
    public static function names(mixed $value): bool
    {
        return is_string($value) && strtoupper($value) === $value && Ulid::isValid($value);
    }
}
