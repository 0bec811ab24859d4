<?php

declare(strict_types=1);

namespace Tests\Core\Redirect;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Redirect\Matching\InOrder;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class InOrderTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function what_lies_between_two_known_siblings_is_what_lies_between_their_pages(): void
    {
        $found = InOrder::between([0, 1, 2, 3, 4], ['A', 'B', 'C', 'D', 'E'], [1 => 'B', 4 => 'E']);
        self::assertSame([0 => ['A', 1.0], 2 => ['C', 1 / sqrt(2)], 3 => ['D', 1 / sqrt(2)]], $found);
        // One more on either side, and nothing is said of them.
        self::assertSame([3 => ['D', 1.0]], InOrder::between([0, 1, 2, 3], ['A', 'B', 'D'], [2 => 'B']));
        // What is known out of order tells nothing of those beside it.
        self::assertSame([], InOrder::between([0, 1, 2], ['A', 'B', 'C', 'D'], [0 => 'D', 2 => 'A']));
    }

    #[Test]
    public function a_list_runs_in_order_where_enough_is_known_and_most_of_it_runs_forward(): void
    {
        self::assertTrue(InOrder::runs([1, 2, 5, 4, 6, 7, 9]));
        self::assertFalse(InOrder::runs([1, 2, 3]));
        self::assertFalse(InOrder::runs([5, 1, 6, 2, 7, 3]));
    }

    #[Test]
    public function no_page_is_given_twice_and_none_that_is_known(): void
    {
        $this->forAll(Generators::choose(0, 12), Generators::choose(0, 12), Generators::seq(Generators::choose(0, 143)))->then(static function (
            int $olds,
            int $news,
            array $pairs,
        ): void {
            $old = $olds === 0 ? [] : range(0, $olds - 1);
            $new = array_map(static fn (int $n): string => "p$n", $news === 0 ? [] : range(0, $news - 1));
            $known = [];
            foreach ($pairs as $pair) {
                $page = 'p'.intdiv($pair, 12);
                if (! in_array($page, $known, true)) {
                    $known[$pair % 12] = $page;
                }
            }
            $found = InOrder::between($old, $new, $known);
            $pages = array_column($found, 0);
            self::assertSame($pages, array_unique($pages));
            self::assertSame([], array_intersect($pages, $known));
            self::assertSame([], array_intersect_key($found, $known));
            $rising = $pages;
            usort($rising, static fn (string $a, string $b): int => (int) substr($a, 1) <=> (int) substr($b, 1));
            ksort($found);
            self::assertSame($rising, array_column($found, 0));
        });
    }
}
