<?php

declare(strict_types=1);

namespace Tests\Core;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Moment;
use Heronstem\Core\Refusal;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Moments as people and scripts write them (ISO 8601). */
final class MomentTest extends TestCase
{
    use TestTrait;

    /** @return iterable<string, array{string, string, string}> what is typed, the zone, the moment */
    public static function typed(): iterable
    {
        yield 'in the zone, in summer' => ['2027-05-03T06:00', 'Europe/London', '2027-05-03T05:00:00Z'];
        yield 'in the zone, in winter' => ['2027-01-03T06:00', 'Europe/London', '2027-01-03T06:00:00Z'];
        yield 'with seconds' => ['2027-05-03T06:00:30', 'Europe/London', '2027-05-03T05:00:30Z'];
        yield 'a day begins in its zone' => ['2027-05-03', 'Europe/Berlin', '2027-05-02T22:00:00Z'];
        yield 'with an offset' => ['2027-05-03T06:00+02:00', 'Europe/London', '2027-05-03T04:00:00Z'];
        yield 'in UTC' => ['2027-05-03T06:00Z', 'Europe/London', '2027-05-03T06:00:00Z'];
        yield 'as scripts write it' => ['2027-05-03T06:00:00.123Z', 'Europe/London', '2027-05-03T06:00:00Z'];
        yield 'with room around it' => ['  2027-05-03T06:00 ', 'UTC', '2027-05-03T06:00:00Z'];
        yield 'an hour that the clock skips' => ['2027-03-28T01:30', 'Europe/London', '2027-03-28T01:30:00Z'];
        yield 'a leap day' => ['2028-02-29', 'UTC', '2028-02-29T00:00:00Z'];
    }

    #[Test]
    #[DataProvider('typed')]
    public function a_moment_is_read_in_the_zone_of_the_site(string $typed, string $zone, string $moment): void
    {
        self::assertSame($moment, Moment::read($typed, $zone, 'from')->iso());
    }

    /** @return iterable<string, array{string}> */
    public static function faults(): iterable
    {
        yield 'nothing' => [''];
        yield 'words' => ['next May'];
        yield 'a day that is none' => ['2027-02-30'];
        yield 'an hour that is none' => ['2027-05-03T25:00'];
        yield 'another order' => ['03.05.2027'];
        yield 'an offset that is none' => ['2027-05-03T06:00+Europe'];
        yield 'a number' => ['1809324000'];
    }

    #[Test]
    #[DataProvider('faults')]
    public function what_is_no_moment_is_refused_with_an_example(string $typed): void
    {
        try {
            Moment::read($typed, 'UTC', 'until');
            self::fail('It was taken.');
        } catch (Refusal $refusal) {
            self::assertSame(['until', '2027-05-03T06:00'], [$refusal->field, $refusal->suggestion]);
        }
    }

    #[Test]
    public function a_moment_that_was_kept_is_the_same_and_later_ones_come_after(): void
    {
        $this->forAll(
            Generators::choose(0, 4_000_000_000),
            Generators::choose(0, 4_000_000_000),
            Generators::elements(['UTC', 'Europe/London', 'Pacific/Auckland', 'America/St_Johns']),
        )->then(static function (int $one, int $other, string $zone): void {
            $moment = Moment::at($one);
            self::assertSame($one, Moment::stored($moment->iso())->seconds);
            self::assertSame($one, Moment::read($moment->iso(), $zone, 'from')->seconds, 'An offset beats the zone.');
            self::assertSame($one > $other, $moment->isAfter(Moment::at($other)));
        });
    }
}
