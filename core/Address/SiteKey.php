<?php

declare(strict_types=1);

namespace Heronstem\Core\Address;

/** What a site is called by those who run it: on the command line, and in the addresses of the editor. */
final readonly class SiteKey
{
    /** @throws InvalidAddress naming the field */
    public static function read(string $typed, string $field = 'key'): string
    {
        if (preg_match('/^[a-z](?:-?[a-z0-9]){1,38}$/D', $typed) !== 1) {
            throw new InvalidAddress(
                $field,
                'A key has 2 to 39 small letters and digits, begins with a letter, and may have hyphens within.',
                self::like($typed),
            );
        }

        return $typed;
    }

    /** A key made of whatever was typed. */
    public static function like(string $typed): string
    {
        $key = trim((string) preg_replace('/[^a-z0-9]+/', '-', strtolower(iconv('UTF-8', 'ASCII//TRANSLIT//IGNORE', mb_scrub($typed)) ?: '')), '-');
        $key = trim(substr((string) preg_replace('/^[0-9-]+/', '', $key), 0, 39), '-');

        return strlen($key) < 2 ? 'site' : $key;
    }
}
