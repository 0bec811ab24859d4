<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect\Matching;

use Heronstem\Core\InputRefused;

/**
 * Words of an old site and what they stand for, as somebody who knows it wrote them down: one a line, `tt = timetable` or
 * `havn = harbour, port`. Empty lines, and lines that begin with `#`, say nothing.
 */
final class Glossary
{
    public const MAX_LINES = 500;

    /** How surely a word stands for what somebody says it does. */
    private const SURELY = 0.95;

    /**
     * @return array<string, array<string, float>> how surely a word of the old site stands for one of this, by both, as they are compared
     *
     * @throws InputRefused naming the line that cannot be read
     */
    public static function read(string $text): array
    {
        $words = [];
        foreach (preg_split('/\R/', $text) ?: [] as $n => $line) {
            if (trim($line) === '' || str_starts_with(ltrim($line), '#')) {
                continue;
            }
            if ($n >= self::MAX_LINES) {
                throw new InputRefused('glossary', sprintf('At most %d lines are read.', self::MAX_LINES));
            }
            [$old, $new] = array_map(trim(...), explode('=', $line, 2) + [1 => '']);
            $from = Words::of($old);
            $to = Words::of($new);
            if ($from === [] || $to === []) {
                throw new InputRefused(
                    'glossary',
                    sprintf('Line %d says no word for a word: write the old one, =, and what it stands for.', $n + 1),
                    'tt = timetable',
                );
            }
            foreach ($from as $word) {
                foreach ($to as $other) {
                    $words[$word][$other] = self::SURELY;
                }
            }
        }

        return $words;
    }
}
