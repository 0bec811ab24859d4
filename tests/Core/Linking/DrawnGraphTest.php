<?php

declare(strict_types=1);

namespace Tests\Core\Linking;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Linking\ClickDistance;
use Heronstem\Core\Linking\DrawnGraph;
use Heronstem\Core\Linking\GraphLayout;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** The links of a site as they are drawn: each page by one of its shortest ways. */
final class DrawnGraphTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function a_page_is_drawn_by_way_of_the_one_above_it_where_that_is_as_short(): void
    {
        // Home leads to Travel and Help; both lead to Fares, which stands below Help.
        $graph = DrawnGraph::of([0, 1, 1, 2], [[0, 1], [0, 2], [1, 3], [2, 3], [3, 0]], [null, null, null, 2]);
        self::assertSame([[0, 1], [0, 2], [2, 3]], $graph->ways);
        $other = DrawnGraph::of([0, 1, 1, 2], [[0, 1], [0, 2], [2, 3], [1, 3]], [null, null, null, null]);
        self::assertSame([[0, 1], [0, 2], [1, 3]], $other->ways, 'Else by way of the first in the tree, whatever the order of the links.');
    }

    #[Test]
    public function a_longer_way_above_is_not_taken(): void
    {
        // Fares stands below Help, which is two clicks away itself.
        $graph = DrawnGraph::of([0, 1, 2, 2], [[0, 1], [1, 2], [1, 3], [2, 3]], [null, null, null, 2]);
        self::assertContains([1, 3], $graph->ways);
        self::assertNotContains([2, 3], $graph->ways);
    }

    #[Test]
    public function what_no_drawn_link_leads_to_stands_outermost(): void
    {
        $graph = DrawnGraph::of([0, 1, 2], [[0, 1]], [null, null, null]);
        self::assertSame([[0, 1]], $graph->ways);
        self::assertEqualsWithDelta($graph->rings[1], hypot(...$graph->places[2]), 1e-9);
        self::assertCount(2, $graph->rings);
    }

    #[Test]
    public function every_page_that_can_be_reached_has_one_way_from_a_ring_within_whatever_the_links(): void
    {
        $this->limitTo(60);
        $this->forAll(Generators::choose(1, 80), Generators::choose(0, 200), Generators::choose(0, 100_000))->then(static function (
            int $pages,
            int $count,
            int $seed,
        ): void {
            mt_srand($seed);
            $links = $leadsTo = [];
            for ($n = 0; $n < $count; $n++) {
                [$from, $to] = [mt_rand(0, $pages - 1), mt_rand(0, $pages - 1)];
                $links[] = [$from, $to];
                $leadsTo[$from][] = $to;
            }
            $reached = ClickDistance::clicks(0, [], $leadsTo);
            $clicks = array_map(static fn (int $page): ?int => $reached[$page] ?? null, range(0, $pages - 1));
            $parents = array_map(static fn (int $page): ?int => $page === 0 ? null : mt_rand(0, $page - 1), range(0, $pages - 1));
            $graph = DrawnGraph::of($clicks, $links, $parents);
            self::assertCount(count($reached) - 1, $graph->ways);
            self::assertSame(array_values(array_diff(array_keys(array_filter($clicks, is_int(...))), [0])), array_column($graph->ways, 1));
            foreach ($graph->ways as [$from, $to]) {
                self::assertSame($clicks[$to], $clicks[$from] + 1);
                self::assertContains([$from, $to], $links);
                self::assertGreaterThan(hypot(...$graph->places[$from]) + GraphLayout::NARROW_GAP - 1e-6, hypot(...$graph->places[$to]));
                if ($parents[$to] !== $from && $parents[$to] !== null && in_array([$parents[$to], $to], $links, true)) {
                    self::assertNotSame($clicks[$to], $clicks[$parents[$to]] === null ? null : $clicks[$parents[$to]] + 1);
                }
            }
        });
    }
}
