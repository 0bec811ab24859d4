<?php

declare(strict_types=1);

namespace Heronstem\Core;

/** Texts of one line: white space at the ends goes, and every run of it within is one space. */
final class OneLine
{
    /** @param  string  $text  in UTF-8; nothing is left of what is not */
    public static function of(string $text): string
    {
        return trim((string) preg_replace('/\s+/u', ' ', $text));
    }

    /** As somebody typed or pasted it: control characters are white space, bytes that are no UTF-8 are replaced. */
    public static function typed(string $text): string
    {
        return trim((string) preg_replace('/[\s\p{Cc}]+/u', ' ', mb_scrub($text, 'UTF-8')));
    }
}
