<?php

declare(strict_types=1);

namespace Heronstem\Core\Address;

/** What a site is called by those who run it: on the command line, and in the addresses of the editor. */
final readonly class SiteKey
{
    /** @throws InvalidAddress naming the field */
    public static function read(string $typed, string $field = 'key'): string
    {
        if (preg_match('/^(?=.{2,39}$)[a-z](?:-?[a-z0-9])*$/D', $typed) !== 1) {
            throw new InvalidAddress(
                $field,
                'A key has 2 to 39 small letters and digits, begins with a letter, and may have hyphens within.',
                self::like($typed),
            );
        }

        return $typed;
    }

    /** The nth key like another one, which is taken. */
    public static function next(string $key, int $n): string
    {
        $end = "-$n";

        return rtrim(substr($key, 0, 39 - strlen($end)), '-').$end;
    }

    /** A key made of whatever was typed. */
    public static function like(string $typed): string
    {
        $latin = (string) transliterator_transliterate('Any-Latin; Latin-ASCII; Lower()', mb_scrub($typed, 'UTF-8'));
        $key = trim((string) preg_replace('/[^a-z0-9]+/', '-', $latin), '-');
        $key = trim(substr((string) preg_replace('/^[0-9-]+/', '', $key), 0, 39), '-');

        return strlen($key) < 2 ? 'site' : $key;
    }
}
