<?php

declare(strict_types=1);

namespace Tests\Core\Linking;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Linking\GraphLayout;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Where the pages of a link graph are drawn. */
final class GraphLayoutTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function the_start_page_is_in_the_middle_and_each_click_is_a_ring(): void
    {
        [$places, $radii] = GraphLayout::of([0, 1, 1, 1, 1, 2, null], [null, 0, 0, 0, 0, 1, null]);
        self::assertSame([0.0, 0.0], $places[0]);
        self::assertSame([90.0, 124.0, 158.0], $radii, 'A ring of few pages needs less room.');
        self::assertEqualsWithDelta(
            [90, 90, 90, 90, 124, 158],
            array_map(static fn (array $at): float => hypot(...$at), array_slice($places, 1)),
            1e-9,
        );
        self::assertGreaterThan(0, $places[5][0], 'What is reached by the page on the right stands on the right.');
        self::assertSame([[[0.0, 0.0]], []], GraphLayout::of([0], [null]));
        self::assertSame([[], []], GraphLayout::of([], []));
    }

    #[Test]
    public function no_two_pages_come_too_near_whatever_the_site(): void
    {
        $this->limitTo(60);
        $this->forAll(Generators::choose(1, 400), Generators::choose(1, 40), Generators::choose(0, 100_000))->then(static function (
            int $pages,
            int $spread,
            int $seed,
        ): void {
            [$clicks, $from] = self::site($pages, $spread, $seed);
            [$places, $radii] = GraphLayout::of($clicks, $from);
            self::assertCount($pages, $places);
            self::assertSame($radii, array_values(array_unique($radii)));
            self::assertGreaterThanOrEqual(GraphLayout::SPACING - 1e-6, self::nearest($places));
            foreach ($clicks as $page => $click) {
                self::assertEqualsWithDelta(
                    $click === 0 ? 0.0 : ($click === null ? end($radii) : $radii[$click - 1]),
                    hypot(...$places[$page]),
                    1e-6,
                );
            }
        });
    }

    #[Test]
    public function two_thousand_pages_are_drawn_apart_and_alike_each_time(): void
    {
        [$clicks, $from] = self::site(2000, 9, 7);
        [$places] = $drawn = GraphLayout::of($clicks, $from);
        self::assertGreaterThanOrEqual(GraphLayout::SPACING - 1e-6, self::nearest($places));
        self::assertSame($drawn, GraphLayout::of($clicks, $from));
        [$star] = GraphLayout::of([0, ...array_fill(0, 2000, 1)], [null, ...array_fill(0, 2000, 0)]);
        self::assertGreaterThanOrEqual(GraphLayout::SPACING - 1e-6, self::nearest($star));
    }

    /** @return array{list<int|null>, list<int|null>} clicks, and by which page */
    private static function site(int $pages, int $spread, int $seed): array
    {
        mt_srand($seed);
        [$clicks, $from] = [[0], [null]];
        for ($page = 1; $page < $pages; $page++) {
            $parent = max(0, $page - mt_rand(1, $spread));
            $isLost = mt_rand(0, 19) === 0 || $clicks[$parent] === null;
            $clicks[] = $isLost ? null : $clicks[$parent] + 1;
            $from[] = $isLost ? null : $parent;
        }

        return [$clicks, $from];
    }

    /** @param  list<array{float, float}>  $places */
    private static function nearest(array $places): float
    {
        $cells = [];
        foreach ($places as $n => [$x, $y]) {
            $cells[(int) floor($x / GraphLayout::SPACING).' '.(int) floor($y / GraphLayout::SPACING)][] = $n;
        }
        $nearest = INF;
        foreach ($places as $n => [$x, $y]) {
            for ($i = -1; $i <= 1; $i++) {
                for ($j = -1; $j <= 1; $j++) {
                    foreach (
                        $cells[(int) floor($x / GraphLayout::SPACING) + $i.' '.((int) floor($y / GraphLayout::SPACING) + $j)] ?? [] as $other
                    ) {
                        $nearest = $other === $n ? $nearest : min($nearest, hypot($x - $places[$other][0], $y - $places[$other][1]));
                    }
                }
            }
        }

        return $nearest;
    }
}
