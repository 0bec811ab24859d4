<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect\Matching;

/**
 * The order of a list as weak evidence: where what is known runs in the order of the pages, what lies between two known ones mostly lies
 * between their pages. It tells siblings apart that share no word with anything; it makes nothing sure.
 */
final class InOrder
{
    /** Known pairs from which on an order shows. */
    private const ENOUGH = 5;

    /** Share of neighbouring pairs that run forward: a list in another order has about half. */
    private const MOSTLY = 0.8;

    /** Siblings between two known ones, up to which their places say something of each. */
    private const MOST = 12;

    /**
     * Whether the list runs in the order of the pages.
     *
     * @param  list<int>  $places  among the pages, in the order of the list, of what is known
     */
    public static function runs(array $places): bool
    {
        $forward = 0;
        for ($i = 1; $i < count($places); $i++) {
            $forward += $places[$i] > $places[$i - 1] ? 1 : 0;
        }

        return count($places) >= self::ENOUGH && $forward >= self::MOSTLY * (count($places) - 1);
    }

    /**
     * Siblings of the old site beside siblings of this one.
     *
     * @param  list<int>  $old  in their order
     * @param  list<string>  $new  in theirs
     * @param  array<int, string>  $known  what some of the old ones are
     * @return array<int, array{string, float}> what others are by their place, and how far that says something, from 0 to 1
     */
    public static function between(array $old, array $new, array $known): array
    {
        $at = array_flip($new);
        $fixed = [[-1, -1]];
        foreach ($old as $i => $n) {
            $j = $at[$known[$n] ?? ''] ?? null;
            if ($j !== null) {
                $fixed[] = [$i, $j];
            }
        }
        $fixed = [...self::rising($fixed), [count($old), count($new)]];
        $found = [];
        for ($k = 1; $k < count($fixed); $k++) {
            [$fromOld, $fromNew] = $fixed[$k - 1];
            [$toOld, $toNew] = $fixed[$k];
            $left = array_values(array_filter(array_slice($old, $fromOld + 1, $toOld - $fromOld - 1), static fn (int $n): bool => ! isset($known[$n])));
            $free = array_values(array_diff(array_slice($new, $fromNew + 1, $toNew - $fromNew - 1), $known));
            if ($left === [] || count($left) !== count($free) || count($left) > self::MOST) {
                continue;
            }
            foreach ($left as $i => $n) {
                $found[$n] = [$free[$i], 1 / sqrt(count($left))];
            }
        }

        return $found;
    }

    /**
     * The longest run of pairs that rises on both sides (patience sorting would do it faster; siblings are few).
     *
     * @param  non-empty-list<array{int, int}>  $pairs  rising on the first
     * @return list<array{int, int}>
     */
    private static function rising(array $pairs): array
    {
        $length = $before = [];
        foreach ($pairs as $i => [, $j]) {
            [$length[$i], $before[$i]] = [1, null];
            for ($k = 0; $k < $i; $k++) {
                if ($pairs[$k][1] < $j && $length[$i] < $length[$k] + 1) {
                    [$length[$i], $before[$i]] = [$length[$k] + 1, $k];
                }
            }
        }
        $run = [];
        for ($i = array_search(max($length), $length, true); is_int($i); $i = $before[$i]) {
            array_unshift($run, $pairs[$i]);
        }

        return $run;
    }
}
