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
        $script = '';
        /** @var int $code */
        foreach (unpack('N*', mb_convert_encoding(self::composed($text), 'UTF-32BE', 'UTF-8')) ?: [] as $code) {
            // A line is set script by script (Unicode UAX 24): what stands at the seam of two is not kerned.
            $own = self::script($code);
            $isSeam = $own !== '' && $script !== '' && $own !== $script;
            $script = $own === '' ? $script : $own;
            $units += ($isSeam ? 0 : LiberationSans::KERNING[$left << 16 | $code] ?? 0) + self::advance($code);
            $left = $code;
        }

        return $units * $size / LiberationSans::UNITS;
    }

    /** Of letters that the font has; empty for figures, signs and spaces, which belong to whatever stands before them. */
    private static function script(int $code): string
    {
        return match (true) {
            $code < 0x41 => '',
            $code < 0x370 => ($code < 0x5B || ($code > 0x60 && $code < 0x7B) || ($code > 0xBF && $code < 0x2B9 && $code !== 0xD7 && $code !== 0xF7)) ? 'Latin' : '',
            $code < 0x400, $code >= 0x1F00 && $code < 0x2000 => 'Greek',
            $code < 0x530, $code >= 0x1C80 && $code < 0x1C90 => 'Cyrillic',
            $code >= 0x1E00 && $code < 0x1F00, $code >= 0xFB00 && $code < 0xFB07 => 'Latin',
            default => '',
        };
    }

    /** Figures, letters and signs of most texts are looked up at once; what takes no room, or is in no font, is told by its kind. */
    private static function advance(int $code): float
    {
        if ($code >= 0x20 && $code < 0x300 && ($code < 0x7F || $code > 0x9F) && $code !== 0xAD) {
            return LiberationSans::ADVANCES[$code] ?? self::OTHER * LiberationSans::UNITS;
        }
        $character = (string) mb_chr($code, 'UTF-8');

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
        if (preg_match('/[^\x00-\x7F]/', $text) !== 1) {
            return $text;
        }
        $composed = \Normalizer::normalize($text, \Normalizer::FORM_C);

        return is_string($composed) ? $composed : mb_scrub($text, 'UTF-8');
    }
}
