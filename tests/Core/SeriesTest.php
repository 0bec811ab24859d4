<?php

declare(strict_types=1);

namespace Tests\Core;

use Heronstem\Core\Series;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Values that are worked out when they are asked for read like a list. */
final class SeriesTest extends TestCase
{
    private int $asked = 0;

    #[Test]
    public function it_is_the_same_each_time_and_as_long_as_it_is(): void
    {
        $series = $this->upTo(5);
        self::assertSame([1, 2, 3, 4, 5], $series->toList());
        self::assertSame([1, 2, 3, 4, 5], iterator_to_array($series));
        self::assertCount(5, $series);
        self::assertSame([false, true], [$series->isEmpty(), $this->upTo(0)->isEmpty()]);
        self::assertSame([false, true], [Series::of(['a'])->isEmpty(), Series::of([])->isEmpty()]);
    }

    #[Test]
    public function some_of_it_is_worked_out_no_further_than_that(): void
    {
        $series = $this->upTo(1000);
        self::assertSame([1, 2, 3], $series->some(3));
        self::assertSame([3, 4], $series->some(2, 2));
        self::assertLessThan(12, $this->asked);
        self::assertSame([], $series->some(3, 1000));
        self::assertSame([1000], $series->some(3, 999));
        self::assertSame([], $series->some(0));
    }

    #[Test]
    public function how_many_there_are_is_counted_once_or_told(): void
    {
        $series = $this->upTo(10);
        self::assertSame([10, 10], [count($series), count($series)]);
        self::assertSame(10, $this->asked);
        self::assertCount(10, Series::from($this->upTo(1000)->getIterator(...), 10), 'Nobody asked for them.');
    }

    #[Test]
    public function pieces_have_their_size_and_the_last_is_what_is_left(): void
    {
        self::assertSame([[1, 2], [3, 4], [5]], iterator_to_array($this->upTo(5)->inPieces(2), false));
        self::assertSame([[1, 2]], iterator_to_array($this->upTo(2)->inPieces(2), false));
        self::assertSame([], iterator_to_array($this->upTo(0)->inPieces(2), false));
    }

    #[Test]
    public function what_holds_for_some_and_what_is_made_of_each(): void
    {
        $series = $this->upTo(4);
        self::assertSame([2, 4], $series->where(static fn (int $n): bool => $n % 2 === 0));
        self::assertSame(['1!', '2!', '3!', '4!'], $series->each(static fn (int $n): string => "$n!"));
        $this->asked = 0;
        $made = $series->made(static fn (int $n): int => $n * $n);
        self::assertSame(0, $this->asked, 'Nothing is made before it is asked for.');
        self::assertSame([1, 4], $made->some(2));
        self::assertCount(4, $made);
    }

    /** @return Series<int> */
    private function upTo(int $last): Series
    {
        return Series::from(function () use ($last): \Generator {
            for ($n = 1; $n <= $last; $n++) {
                $this->asked++;
                yield $n;
            }
        });
    }
}
