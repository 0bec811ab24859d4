<?php

declare(strict_types=1);

namespace Tests\Core\Planning;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Planning\OutOfOrder;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class OutOfOrderTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function the_one_that_went_elsewhere_is_named_and_those_it_passed_are_not(): void
    {
        self::assertSame([], OutOfOrder::of(['a', 'b', 'c'], ['a', 'b', 'c']));
        self::assertSame(['a' => true], OutOfOrder::of(['a', 'b', 'c'], ['b', 'c', 'a']));
        self::assertSame(['c' => true], OutOfOrder::of(['a', 'b', 'c'], ['c', 'a', 'b']));
        self::assertSame(['b' => true, 'c' => true], OutOfOrder::of(['a', 'b', 'c'], ['b', 'c', 'a'], ['a' => 5]));
        self::assertSame([], OutOfOrder::of([], []));
    }

    #[Test]
    public function what_is_named_explains_every_change_of_sides_and_nothing_lighter_does(): void
    {
        $this->limitTo(300)
            ->forAll(Generators::vector(6, Generators::choose(0, 1000)), Generators::vector(6, Generators::choose(1, 4)))
            ->then(function (array $order, array $weights): void {
                $before = ['a', 'b', 'c', 'd', 'e', 'f'];
                $keys = array_combine($before, $order);
                asort($keys);
                $after = array_map(strval(...), array_keys($keys));
                $weights = array_combine($before, $weights);
                $moved = OutOfOrder::of($before, $after, $weights);
                $stay = static fn (array $moved): bool => array_values(array_diff($before, array_keys($moved))) ===
                    array_values(array_diff($after, array_keys($moved)));
                $weight = static fn (array $moved): int => array_sum(array_intersect_key($weights, $moved));
                self::assertTrue($stay($moved), 'The others keep their order.');
                for ($subset = 0; $subset < 64; $subset++) {
                    $isIn = static fn (string $each): bool => (($subset >> (ord($each) - 97)) & 1) === 1;
                    $other = array_filter(array_fill_keys($before, true), $isIn, ARRAY_FILTER_USE_KEY);
                    self::assertTrue($weight($other) >= $weight($moved) || ! $stay($other));
                }
            });
    }
}
