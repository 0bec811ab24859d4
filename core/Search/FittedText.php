<?php

declare(strict_types=1);

namespace Heronstem\Core\Search;

/** Text cut to a width as engines cut it: at the end of a word, with an ellipsis that fits too. */
final class FittedText
{
    /**
     * @param  float  $width  px
     * @param  int  $size  px of an em
     */
    public static function within(string $text, float $width, int $size): string
    {
        if (TextWidth::of($text, $size) <= $width) {
            return $text;
        }
        // The width grows with the text, so that the longest that fits is found by halving.
        $characters = mb_str_split($text);
        [$fits, $beyond] = [0, count($characters)];
        while ($beyond - $fits > 1) {
            $middle = intdiv($fits + $beyond, 2);
            $isFit = TextWidth::of(implode('', array_slice($characters, 0, $middle)).'…', $size) <= $width;
            [$fits, $beyond] = $isFit ? [$middle, $beyond] : [$fits, $middle];
        }
        $head = implode('', array_slice($characters, 0, $fits));
        $isWhole = preg_match('/^\s/u', $characters[$fits]) === 1;
        $words = $isWhole ? $head : (string) preg_replace('/\S+$/u', '', $head);
        $kept = (string) preg_replace('/[\s,;:·|–—-]+$/u', '', $words);

        return ($kept === '' ? $head : $kept).'…';
    }
}
