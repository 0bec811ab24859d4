<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

/** Which of several things moved, where all that is known is their order before and after. */
final class OutOfOrder
{
    /**
     * The lightest things whose moving explains the other order: those outside the heaviest run that both orders share.
     * Of any two that changed sides at least one is named, and none that did not. Cost: n log n.
     *
     * @param  list<string>  $before
     * @param  list<string>  $after  the same things
     * @param  array<string, int>  $weights  how much each would rather stay; 1 where nothing is said
     * @return array<string, true>
     */
    public static function of(array $before, array $after, array $weights = []): array
    {
        if ($before === $after) {
            return [];
        }
        $rank = array_flip($before);
        $size = count($before);
        // Heaviest run that ends at or before a rank, as a Fenwick tree (1994): weight, and the thing it ends with.
        $heaviest = array_fill(0, $size + 1, [0, null]);
        $previous = [];
        foreach ($after as $thing) {
            $best = [0, null];
            for ($at = $rank[$thing]; $at > 0; $at -= $at & -$at) {
                $best = max($best[0], $heaviest[$at][0]) === $best[0] ? $best : $heaviest[$at];
            }
            $previous[$thing] = $best[1];
            $run = [$best[0] + ($weights[$thing] ?? 1), $thing];
            for ($at = $rank[$thing] + 1; $at <= $size; $at += $at & -$at) {
                $heaviest[$at] = $heaviest[$at][0] < $run[0] ? $run : $heaviest[$at];
            }
        }
        $last = [0, null];
        for ($at = $size; $at > 0; $at -= $at & -$at) {
            $last = $heaviest[$at][0] > $last[0] ? $heaviest[$at] : $last;
        }
        $moved = array_fill_keys($after, true);
        for ($thing = $last[1]; $thing !== null; $thing = $previous[$thing]) {
            unset($moved[$thing]);
        }

        return $moved;
    }
}
