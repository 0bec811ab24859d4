<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Ripple\Drawing;
use Heronstem\Core\Ripple\DrawnLine;
use Heronstem\Core\Ripple\Mark;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Workspace\PagesAfter;
use Heronstem\Core\Workspace\Workspace;

/**
 * The part of the tree that a batch rearranges, before and after: the parents concerned with their children,
 * those that come, go, move or change marked. What stands around them is counted, not drawn.
 */
final class TreeDrawing
{
    /** Unmarked neighbours drawn on either side of a marked page. */
    private const NEIGHBOURS = 1;

    public static function of(Workspace $workspace, PagesAfter $outcome): Drawing
    {
        $marks = [];
        $parents = [];
        foreach ($workspace->pages->touched() as $id) {
            $before = self::inTree($workspace->pages->before($id));
            $after = self::inTree($outcome->find($id));
            $mark = Mark::between($before, $after);
            if ($mark === null) {
                continue;
            }
            $marks[$id] = $mark;
            foreach (array_filter([$before, $after]) as $page) {
                $above = $page->parent;
                // Where a whole branch comes or goes, its first page stands for it.
                if ($above === null || ! isset($marks[$above]) || $marks[$above] !== $mark) {
                    $parents[$above ?? ''] = true;
                }
            }
            if (count($parents) > Drawing::MAX_LINES) {
                break;
            }
        }
        if ($parents === []) {
            return new Drawing([], []);
        }
        $shown = array_map(static fn (string|int $id): ?string => $id === '' ? null : (string) $id, array_keys($parents));
        $workspace->pages->expectChildren($shown);
        $before = static fn (?string $parent): array => array_map(strval(...), array_keys($workspace->pages->childOrderBefore($parent)));
        $after = static fn (?string $parent): array => array_map(strval(...), array_keys($workspace->pages->childOrder($parent)));
        $workspace->pages->expect(self::drawn($shown, $marks, $before, $after));

        return new Drawing(
            self::lines($shown, $marks, $before, static fn (string $id): ?Page => $workspace->pages->before($id)),
            self::lines($shown, $marks, $after, static fn (string $id): ?Page => $outcome->find($id) ?? $workspace->pages->find($id)),
        );
    }

    private static function inTree(?Page $page): ?Page
    {
        return $page === null || $page->isBinned() ? null : $page;
    }

    /**
     * The pages that are drawn, so that they are read in one go: as many as there is room for.
     *
     * @param  list<string|null>  $parents
     * @param  array<string, Mark>  $marks
     * @param  \Closure(?string): list<string>  $before
     * @param  \Closure(?string): list<string>  $after
     * @return list<string>
     */
    private static function drawn(array $parents, array $marks, \Closure $before, \Closure $after): array
    {
        $pages = [];
        foreach ($parents as $parent) {
            foreach ([$before, $after] as $children) {
                array_push($pages, ...array_filter([$parent, ...self::around($children($parent), $marks)], is_string(...)));
            }
            if (count($pages) > 2 * Drawing::MAX_LINES) {
                break;
            }
        }

        return array_slice(array_values(array_unique($pages)), 0, 2 * Drawing::MAX_LINES);
    }

    /**
     * @param  list<string|null>  $parents
     * @param  array<string, Mark>  $marks
     * @param  \Closure(?string): list<string>  $children
     * @param  \Closure(string): ?Page  $find
     * @return list<DrawnLine>
     */
    private static function lines(array $parents, array $marks, \Closure $children, \Closure $find): array
    {
        $lines = [];
        foreach ($parents as $parent) {
            $page = $parent === null ? null : self::inTree($find($parent));
            if ($parent !== null && $page === null) {
                continue;
            }
            $lines[] = new DrawnLine($parent, $page->name ?? '', 0, $parent === null ? null : $marks[$parent] ?? null, 0);
            foreach (self::around($children($parent), $marks) as $entry) {
                $child = is_string($entry) ? $find($entry) : null;
                $lines[] =
                    $child === null
                        ? new DrawnLine(null, '', 1, null, (int) $entry)
                        : new DrawnLine($child->id, $child->name, 1, $marks[$child->id] ?? null, 0);
                if (count($lines) >= Drawing::MAX_LINES) {
                    return $lines;
                }
            }
        }

        return $lines;
    }

    /**
     * @param  list<string>  $children
     * @param  array<string, Mark>  $marks
     * @return list<string|int> pages, and how many are left out between them
     */
    private static function around(array $children, array $marks): array
    {
        $near = [];
        foreach ($children as $i => $child) {
            if (isset($marks[$child])) {
                for ($at = $i - self::NEIGHBOURS; $at <= $i + self::NEIGHBOURS; $at++) {
                    $near[$at] = true;
                }
            }
        }
        $entries = [];
        $skipped = 0;
        foreach ($children as $i => $child) {
            if (! isset($near[$i])) {
                $skipped++;

                continue;
            }
            array_push($entries, ...$skipped > 0 ? [$skipped] : [], ...[$child]);
            $skipped = 0;
        }

        return $skipped > 0 ? [...$entries, $skipped] : $entries;
    }
}
