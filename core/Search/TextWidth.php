<?php

declare(strict_types=1);

namespace Heronstem\Core\Search;

/**
 * How wide a line of text is set, with the advance widths and the kerning of Liberation Sans: within 1 px of what a
 * browser measures for Latin, Greek and Cyrillic letters, figures and punctuation. Characters that the font does not
 * have are set in another one and can only be estimated: an em for wide ones (East Asian, emoji), 0.56 em for others.
 */
final class TextWidth
{
    private const WIDE = '/[\x{1100}-\x{115F}\x{2E80}-\x{A4CF}\x{AC00}-\x{D7A3}\x{F900}-\x{FAFF}\x{FE30}-\x{FE6F}\x{FF00}-\x{FF60}\x{1F000}-\x{1FFFF}\x{20000}-\x{3FFFF}]/u';

    private const OTHER = 0.56;

    /**
     * @param  int  $size  px of an em
     * @return float px
     */
    public static function of(string $text, int $size): float
    {
        $units = 0.0;
        $left = 0;
        foreach (mb_str_split(self::composed($text)) as $character) {
            $code = mb_ord($character, 'UTF-8');
            $units += (LiberationSans::KERNING[$left << 16 | $code] ?? 0) + self::advance($character, $code);
            $left = $code;
        }

        return $units * $size / LiberationSans::UNITS;
    }

    private static function advance(string $character, int $code): float
    {
        return match (true) {
            preg_match('/[\p{Mn}\p{Me}\p{Cf}\p{Cc}]/u', $character) === 1 => 0,
            isset(LiberationSans::ADVANCES[$code]) => LiberationSans::ADVANCES[$code],
            preg_match(self::WIDE, $character) === 1 => LiberationSans::UNITS,
            default => self::OTHER * LiberationSans::UNITS,
        };
    }

    /** Letters with their marks as one character where there is one, as browsers look for them in a font. */
    private static function composed(string $text): string
    {
        $composed = \Normalizer::normalize($text, \Normalizer::FORM_C);

        return is_string($composed) ? $composed : mb_scrub($text, 'UTF-8');
    }
}
