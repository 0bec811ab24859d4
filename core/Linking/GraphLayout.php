<?php

declare(strict_types=1);

namespace Heronstem\Core\Linking;

/**
 * Where each page of a link graph is drawn: the start page in the middle, on a ring around it the pages that are one click
 * away, then those that are two, and so on; outermost those that nothing leads to. On every ring pages stand near the page
 * that leads to them, in the order of the tree, and no two come nearer than SPACING. The same graph is always drawn alike.
 */
final class GraphLayout
{
    /** Least distance of two pages, units of the drawing. */
    public const SPACING = 26.0;

    /** Least distance of a ring to the one within, and that of one with so few pages that they need no room. */
    public const GAP = 90.0;

    public const NARROW_GAP = 34.0;

    /** Pages of a ring that is drawn near the one within. */
    private const FEW = 3;

    /**
     * Cost: n log n in the pages.
     *
     * @param  list<int|null>  $clicks  from the start page, by page; null where nothing leads to it; exactly one is 0
     * @param  list<int|null>  $from  the page by which each is reached first, one click nearer; null for the start page and those that nothing leads to
     * @return array{list<array{float, float}>, list<float>} x and y by page, around 0; radius of each ring from one click on, that of pages nothing leads to last
     */
    public static function of(array $clicks, array $from): array
    {
        $reached = array_filter($clicks, static fn (?int $each): bool => $each !== null);
        $outermost = $reached === [] ? 0 : max($reached);
        $rings = [];
        foreach ($clicks as $page => $each) {
            $rings[$each ?? $outermost + 1][] = $page;
        }
        ksort($rings);
        $angles = self::angles($clicks, $from);
        $places = array_fill(0, count($clicks), [0.0, 0.0]);
        $radii = [];
        $radius = 0.0;
        foreach ($rings as $ring => $pages) {
            if ($ring === 0) {
                continue;
            }
            $radius = max($radius + (count($pages) > self::FEW ? self::GAP : self::NARROW_GAP), self::roomFor(count($pages)));
            $radii[] = $radius;
            foreach (self::spread(array_intersect_key($angles, array_flip($pages)), 2 * asin(min(1.0, self::SPACING / (2 * $radius)))) as $page => $angle) {
                $places[$page] = [$radius * sin($angle), -$radius * cos($angle)];
            }
        }

        return [$places, $radii];
    }

    /** Radius on which so many pages stand apart. */
    private static function roomFor(int $pages): float
    {
        return $pages < 2 ? 0.0 : self::SPACING / (2 * sin(M_PI / max(2, $pages)));
    }

    /**
     * The direction of each page from the middle: the middle of the part of the circle that belongs to what is reached by it.
     *
     * @param  list<int|null>  $clicks
     * @param  list<int|null>  $from
     * @return array<int, float> radians, clockwise from the top
     */
    private static function angles(array $clicks, array $from): array
    {
        $below = $roots = [];
        foreach ($from as $page => $parent) {
            if ($parent !== null) {
                $below[$parent][] = $page;
            } elseif ($clicks[$page] === 0) {
                array_unshift($roots, $page);
            }
        }
        $leaves = self::leaves($clicks, $from);
        $angles = [];
        $stack = array_map(static fn (int $root): array => [$root, 0.0, 2 * M_PI], $roots);
        while (($next = array_pop($stack)) !== null) {
            [$page, $begin, $end] = $next;
            $angles[$page] = ($begin + $end) / 2;
            $at = $begin;
            foreach ($below[$page] ?? [] as $child) {
                $share = ($end - $begin) * $leaves[$child] / $leaves[$page];
                $stack[] = [$child, $at, $at + $share];
                $at += $share;
            }
        }
        $lost = array_keys(array_filter($clicks, static fn (?int $each): bool => $each === null));
        foreach ($lost as $n => $page) {
            $angles[$page] = 2 * M_PI * ($n + 0.5) / count($lost);
        }

        return $angles;
    }

    /**
     * @param  list<int|null>  $clicks
     * @param  list<int|null>  $from
     * @return array<int, int> ends of the ways that lead over each page, at least one
     */
    private static function leaves(array $clicks, array $from): array
    {
        $order = array_keys($clicks);
        usort($order, static fn (int $a, int $b): int => [$clicks[$b] ?? -1, $a] <=> [$clicks[$a] ?? -1, $b]);
        $leaves = array_fill(0, count($clicks), 0);
        foreach ($order as $page) {
            $leaves[$page] = max(1, $leaves[$page]);
            if ($from[$page] !== null) {
                $leaves[$from[$page]] += $leaves[$page];
            }
        }

        return $leaves;
    }

    /**
     * Moves directions apart as little as can be (least squares, by pooling neighbours that are too near: Ayer et al. 1955).
     *
     * @param  array<int, float>  $angles  by page
     * @param  float  $least  radians between two; all of them together fit on the circle
     * @return array<int, float>
     */
    private static function spread(array $angles, float $least): array
    {
        asort($angles);
        $pages = array_keys($angles);
        $count = count($pages);
        $pools = [];
        foreach (array_values($angles) as $i => $angle) {
            $pools[] = [$angle - $i * $least, 1];
            while (($n = count($pools)) > 1 && $pools[$n - 2][0] > $pools[$n - 1][0]) {
                [[$left, $before], [$right, $after]] = array_splice($pools, $n - 2);
                $pools[] = [($left * $before + $right * $after) / ($before + $after), $before + $after];
            }
        }
        $moved = [];
        foreach ($pools as [$at, $size]) {
            array_push($moved, ...array_fill(0, $size, $at));
        }
        // The last must not run into the first from behind.
        $room = max(0.0, 2 * M_PI - $count * $least);
        $begin = max($moved[0] ?? 0.0, ($moved[$count - 1] ?? 0.0) - $room);
        $begin = $moved === [] ? 0.0 : ($moved[0] + $begin) / 2;
        $spread = [];
        foreach ($moved as $i => $at) {
            $spread[$pages[$i]] = min(max($at, $begin), $begin + $room) + $i * $least;
        }

        return $spread;
    }
}
