<?php

declare(strict_types=1);

namespace Heronstem\Core\Audit;

/**
 * How easily a text is read, 0 (hard) to 100 (easy): Flesch 1948 for English, with the constants of Amstad 1978 for German,
 * Kandel and Moles 1958 for French, Fernández Huerta 1959 for Spanish, Vacca and Franchina 1972 for Italian, Douma 1960 for
 * Dutch. Syllables are counted as groups of vowels.
 */
final class ReadingEase
{
    /** By language: base, factor of words a sentence, factor of syllables a word. */
    private const CONSTANTS = [
        'en' => [206.835, 1.015, 84.6],
        'de' => [180.0, 1.0, 58.5],
        'fr' => [207.0, 1.015, 73.6],
        'es' => [206.84, 1.02, 60.0],
        'it' => [217.0, 1.3, 60.0],
        'nl' => [206.84, 0.93, 77.0],
    ];

    /** Null for a language without constants, and for a text without a sentence. */
    public static function of(string $text, string $language): ?float
    {
        $constants = self::CONSTANTS[strtolower((string) strtok($language, '-_'))] ?? null;
        $words = Stem::words($text);
        if ($constants === null || $words === []) {
            return null;
        }
        $sentences = max(1, preg_match_all('/[^.!?…\n]*[\p{L}\p{N}][^.!?…\n]*/u', $text));
        $syllables = array_sum(array_map(self::syllables(...), $words));
        $ease = $constants[0] - $constants[1] * count($words) / $sentences - ($constants[2] * $syllables) / count($words);

        return max(0.0, min(100.0, $ease));
    }

    private static function syllables(string $word): int
    {
        $apart = \Normalizer::normalize($word, \Normalizer::FORM_D);
        $plain = (string) preg_replace('/\p{Mn}+/u', '', is_string($apart) ? $apart : $word);
        $silent = preg_match('/[^aeiouyl]e$/', $plain) === 1 && mb_strlen($plain) > 3 ? 1 : 0;

        return max(1, (int) preg_match_all('/[aeiouyæøœ]+/u', $plain) - $silent);
    }
}
