<?php

declare(strict_types=1);

namespace Heronstem\Core\Linking;

/**
 * How much weight links give each page (Page, Brin, Motwani and Winograd 1998): the chance that somebody who follows links
 * at random, and now and then begins anew, is at it. Pages that lead nowhere give their weight to all alike.
 */
final class PageRank
{
    /** Chance that the next step follows a link. */
    public const DAMPING = 0.85;

    /** Sum of all differences (L1) below which nothing changes any more. */
    public const CONVERGED = 1e-9;

    /** Steps after which it is left as it is: the damping brings it below CONVERGED in 128. */
    private const MAX_STEPS = 200;

    /**
     * Cost: pages and links, times steps.
     *
     * @param  int  $pages  numbered from 0
     * @param  array<int, list<int>>  $leadsTo  where each leads; the same page twice counts twice
     * @return list<float> by page; the sum is 1
     */
    public static function of(int $pages, array $leadsTo): array
    {
        if ($pages === 0) {
            return [];
        }
        $rank = array_fill(0, $pages, 1 / $pages);
        for ($step = 0; $step < self::MAX_STEPS; $step++) {
            $next = array_fill(0, $pages, 0.0);
            $idle = 0.0;
            foreach ($rank as $page => $weight) {
                $targets = $leadsTo[$page] ?? [];
                if ($targets === []) {
                    $idle += $weight;

                    continue;
                }
                $share = self::DAMPING * $weight / count($targets);
                foreach ($targets as $target) {
                    $next[$target] += $share;
                }
            }
            $base = (1 - self::DAMPING + self::DAMPING * $idle) / $pages;
            $moved = 0.0;
            foreach ($next as $page => $weight) {
                $next[$page] = $weight + $base;
                $moved += abs($next[$page] - $rank[$page]);
            }
            $rank = $next;
            if ($moved < self::CONVERGED) {
                break;
            }
        }

        return array_values($rank);
    }
}
