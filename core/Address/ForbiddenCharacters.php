<?php

declare(strict_types=1);

namespace Heronstem\Core\Address;

/** Characters that mean something else in a URL, and so stand in no address or slug. */
final class ForbiddenCharacters
{
    /**
     * @param  callable(string $reason, string $suggestion): \Throwable  $refusal
     */
    public static function refuse(string $typed, callable $refusal): void
    {
        if (! mb_check_encoding($typed, 'UTF-8')) {
            throw $refusal('This is not text in UTF-8.', '');
        }
        if (preg_match('/[\p{Cc}\x{2028}\x{2029}]/u', $typed) === 1) {
            throw $refusal(
                'An address cannot contain control characters such as line breaks and tabs.',
                (string) preg_replace('/[\p{Cc}\x{2028}\x{2029}]+/u', '', $typed),
            );
        }
        foreach (
            ['\\' => 'A backslash', '?' => 'A question mark begins a query and', '#' => 'A number sign begins a fragment and'] as $char => $what
        ) {
            if (str_contains($typed, $char)) {
                throw $refusal($what.' cannot stand in an address.', trim(str_replace($char, '-', $typed), '-'));
            }
        }
    }
}
