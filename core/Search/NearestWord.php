<?php

declare(strict_types=1);

namespace Heronstem\Core\Search;

/** Which word was meant by one that no page has: the one with the fewest letters typed wrong. */
final class NearestWord
{
    /** Letters below which a word is not guessed at, since too many others are near. */
    public const MIN_LENGTH = 3;

    /**
     * Cost: candidates times the square of their length, which is at most 40 letters.
     *
     * @param  list<string>  $candidates  words that pages have, in small letters; the likelier first
     * @return string|null null where none is near enough: one slip in four letters, two in eight, three beyond
     */
    public static function of(string $word, array $candidates): ?string
    {
        $length = mb_strlen($word);
        if ($length < self::MIN_LENGTH || $length > 40) {
            return null;
        }
        $allowed = match (true) {
            $length <= 4 => 1,
            $length <= 8 => 2,
            default => 3,
        };
        $best = null;
        foreach ($candidates as $candidate) {
            if (abs(mb_strlen($candidate) - $length) <= $allowed && mb_strlen($candidate) <= 43) {
                $slips = self::slips($word, $candidate);
                if ($slips <= $allowed) {
                    [$best, $allowed] = [$candidate, $slips - 1];
                }
            }
        }

        return $best;
    }

    /**
     * Letters to put in, leave out, change, or swap with the next (optimal string alignment).
     */
    private static function slips(string $left, string $right): int
    {
        [$a, $b] = [mb_str_split($left), mb_str_split($right)];
        $before = [];
        $last = range(0, count($b));
        foreach ($a as $i => $letter) {
            $row = [$i + 1];
            foreach ($b as $j => $other) {
                $row[$j + 1] = min($row[$j] + 1, $last[$j + 1] + 1, $last[$j] + ($letter === $other ? 0 : 1));
                if ($i > 0 && $j > 0 && $letter === $b[$j - 1] && $a[$i - 1] === $other) {
                    $row[$j + 1] = min($row[$j + 1], $before[$j - 1] + 1);
                }
            }
            [$before, $last] = [$last, $row];
        }

        return $last[count($b)];
    }
}
