<?php

declare(strict_types=1);

namespace Heronstem\Core\Access;

use Heronstem\Core\InputRefused;

/**
 * What a password has to be when it is set: long, and none that everybody would guess. No rule of composition besides
 * (NIST SP 800-63B, 5.1.1.2).
 */
final class NewPassword
{
    /** Characters. */
    public const MIN = 12;

    public const MAX = 200;

    /**
     * @param  list<string>  $commonest  words that the commonest passwords are made of, in small letters
     * @param  list<string>  $known  what somebody who knows the person would try: their name, their mail address
     *
     * @throws InputRefused naming the field `password`
     */
    public static function guard(string $typed, array $commonest, array $known = []): void
    {
        $length = mb_strlen($typed);
        if ($length < self::MIN) {
            throw new InputRefused(
                'password',
                sprintf('A password has at least %d characters; this one has %d. A few words in a row work well.', self::MIN, $length),
            );
        }
        if ($length > self::MAX) {
            throw new InputRefused('password', sprintf('A password has at most %d characters.', self::MAX));
        }
        $left = self::rest(mb_strtolower($typed), [...$commonest, ...self::partsOf($known)]);
        if (mb_strlen($left) < 4 || count(array_unique(mb_str_split($typed))) < 5) {
            throw new InputRefused(
                'password',
                'This password is easy to guess. Use a few words that have nothing to do with each other.',
            );
        }
    }

    /**
     * What is left of it without the words that everybody would guess, and without digits and signs before and after.
     *
     * @param  list<string>  $words
     */
    private static function rest(string $text, array $words): string
    {
        usort($words, static fn (string $a, string $b): int => strlen($b) <=> strlen($a));

        return trim(str_replace($words, '', $text), '0123456789!?.,-_*#@$%&+=/ ');
    }

    /**
     * @param  list<string>  $known
     * @return list<string>
     */
    private static function partsOf(array $known): array
    {
        $parts = [];
        foreach ($known as $text) {
            foreach (preg_split('/[^\pL\pN]+/u', mb_strtolower($text)) ?: [] as $part) {
                if (mb_strlen($part) > 2) {
                    $parts[] = $part;
                }
            }
        }

        return $parts;
    }
}
