<?php

declare(strict_types=1);

namespace Heronstem\Core\Audit;

/**
 * Words with their commonest endings taken off, so that “timetables” and “timetable” are one: a light stem, as good as
 * is needed to see whether two texts speak of the same. Languages that are not known here are compared as written.
 */
final class Stem
{
    /** Endings by language, the longest first; at least three letters stay. */
    private const ENDINGS = [
        'en' => ['ingly', 'edly', 'ings', 'ies', 'ing', 'ers', 'ed', 'es', 'er', 'ly', 's', 'y', 'e'],
        'de' => ['ungen', 'ern', 'en', 'er', 'es', 'em', 'ung', 'e', 'n', 's'],
        'fr' => ['ements', 'ement', 'euses', 'euse', 'aux', 'eux', 'ees', 'ee', 'es', 'er', 's', 'x', 'e'],
        'es' => ['aciones', 'acion', 'mente', 'ando', 'idos', 'adas', 'ados', 'es', 'os', 'as', 'ar', 'er', 'ir', 's', 'o', 'a', 'e'],
        'it' => ['azioni', 'azione', 'mente', 'ando', 'are', 'ere', 'ire', 'i', 'e', 'o', 'a'],
        'nl' => ['heden', 'ingen', 'ing', 'en', 'er', 'e', 's'],
        'da' => ['erne', 'ene', 'er', 'en', 'et', 'e', 's', 'r'],
    ];

    /** @return list<string> stems of a text, filler left out */
    public static function ofWords(string $text, string $language): array
    {
        $filler = array_flip(StopWords::of($language));
        $words = array_filter(self::words($text), static fn (string $word): bool => ! isset($filler[$word]));

        return array_values(array_map(static fn (string $word): string => self::of($word, $language), $words));
    }

    /** @return list<string> words in small letters */
    public static function words(string $text): array
    {
        preg_match_all('/[\p{L}\p{N}]+/u', mb_strtolower($text), $found);

        return $found[0];
    }

    public static function of(string $word, string $language): string
    {
        $folded = self::withoutMarks($word);
        foreach (self::ENDINGS[strtolower((string) strtok($language, '-_'))] ?? [] as $ending) {
            if (str_ends_with($folded, $ending) && mb_strlen($folded) - strlen($ending) >= 3) {
                return mb_substr($folded, 0, mb_strlen($folded) - strlen($ending));
            }
        }

        return $folded;
    }

    /** Whether the words of a phrase stand in a text, in their order and next to each other. */
    public static function contains(string $text, string $phrase, string $language): bool
    {
        return self::count($text, $phrase, $language) > 0;
    }

    /** How often. Cost: length of the text times length of the phrase. */
    public static function count(string $text, string $phrase, string $language): int
    {
        $wanted = self::ofWords($phrase, $language);
        $said = self::ofWords($text, $language);
        $count = 0;
        for ($at = 0, $last = count($said) - count($wanted); $wanted !== [] && $at <= $last; $at++) {
            $count += array_slice($said, $at, count($wanted)) === $wanted ? 1 : 0;
        }

        return $count;
    }

    private static function withoutMarks(string $word): string
    {
        if (preg_match('/[^\x00-\x7F]/', $word) !== 1) {
            return $word;
        }
        $apart = \Normalizer::normalize($word, \Normalizer::FORM_D);

        return (string) preg_replace('/\p{Mn}+/u', '', is_string($apart) ? $apart : $word);
    }
}
