<?php

declare(strict_types=1);

namespace Heronstem\Core\Linking;

/** How many clicks every page is away from the start page: breadth first over menus, branches and links in content. */
final class ClickDistance
{
    /**
     * @template T of array-key
     *
     * @param  T  $start  the start page
     * @param  iterable<T>  $onEveryPage  pages that a menu on every page leads to
     * @param  array<T, list<T>>  $leadsTo  where each page leads besides
     * @return array<T, int> clicks by page; pages that nothing reaches are left out
     */
    public static function clicks(int|string $start, iterable $onEveryPage, array $leadsTo): array
    {
        $clicks = [$start => 0];
        $edge = [];
        foreach ($onEveryPage as $page) {
            if (! isset($clicks[$page])) {
                $clicks[$page] = 1;
                $edge[] = $page;
            }
        }
        $distance = 1;
        foreach ($leadsTo[$start] ?? [] as $page) {
            if (! isset($clicks[$page])) {
                $clicks[$page] = 1;
                $edge[] = $page;
            }
        }
        while ($edge !== []) {
            $distance++;
            $next = [];
            foreach ($edge as $from) {
                foreach ($leadsTo[$from] ?? [] as $page) {
                    if (! isset($clicks[$page])) {
                        $clicks[$page] = $distance;
                        $next[] = $page;
                    }
                }
            }
            $edge = $next;
        }

        return $clicks;
    }
}
