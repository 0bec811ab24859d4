<?php

declare(strict_types=1);

namespace Tests\Core\Linking;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Linking\PageRank;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class PageRankTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function it_is_what_solving_the_equations_gives(): void
    {
        $this->limitTo(60);
        $this->forAll(
            Generators::choose(1, 12),
            Generators::vector(40, Generators::tuple(Generators::choose(0, 11), Generators::choose(0, 11))),
        )->then(function (int $pages, array $links): void {
            $leadsTo = [];
            foreach ($links as [$from, $to]) {
                if ($from < $pages && $to < $pages && $from !== $to) {
                    $leadsTo[$from][] = $to;
                }
            }
            $rank = PageRank::of($pages, $leadsTo);
            self::assertEqualsWithDelta(1.0, array_sum($rank), 1e-9);
            foreach (self::solved($pages, $leadsTo) as $page => $weight) {
                self::assertEqualsWithDelta($weight, $rank[$page], 1e-8);
            }
        });
        self::assertSame([], PageRank::of(0, []));
    }

    /**
     * The same by elimination: (1 - dM) x = (1 - d) / n.
     *
     * @param  array<int, list<int>>  $leadsTo
     * @return list<float>
     */
    private static function solved(int $n, array $leadsTo): array
    {
        $rows = [];
        for ($to = 0; $to < $n; $to++) {
            for ($from = 0; $from < $n; $from++) {
                $targets = $leadsTo[$from] ?? [];
                $share = $targets === [] ? 1 / $n : count(array_keys($targets, $to, true)) / count($targets);
                $rows[$to][$from] = ($to === $from ? 1.0 : 0.0) - PageRank::DAMPING * $share;
            }
            $rows[$to][$n] = (1 - PageRank::DAMPING) / $n;
        }
        for ($column = 0; $column < $n; $column++) {
            for ($row = 0; $row < $n; $row++) {
                if ($row !== $column) {
                    $factor = $rows[$row][$column] / $rows[$column][$column];
                    for ($k = $column; $k <= $n; $k++) {
                        $rows[$row][$k] -= $factor * $rows[$column][$k];
                    }
                }
            }
        }

        return array_map(static fn (int $row): float => $rows[$row][$n] / $rows[$row][$row], range(0, $n - 1));
    }
}
