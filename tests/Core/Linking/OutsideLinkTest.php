<?php

declare(strict_types=1);

namespace Tests\Core\Linking;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Linking\OutsideAttempt;
use Heronstem\Core\Linking\OutsideLink;
use Heronstem\Core\Linking\OutsideState;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What tries of a link to another site say of it. */
final class OutsideLinkTest extends TestCase
{
    use TestTrait;

    private const HOUR = 3600;

    private const WEEK = 7 * 86400;

    /** @return iterable<string, array{list<OutsideAttempt>, OutsideState, int}> tries, what is known then, seconds to the next */
    public static function tries(): iterable
    {
        yield 'it works' => [[new OutsideAttempt(200)], OutsideState::Works, self::WEEK];
        yield 'it works with nothing to show' => [[new OutsideAttempt(204)], OutsideState::Works, self::WEEK];
        yield 'it moved for good' => [[new OutsideAttempt(200, permanentlyAt: 'https://e.example/b')], OutsideState::Moved, self::WEEK];
        yield 'one 404 is no proof' => [[new OutsideAttempt(404)], OutsideState::Unknown, self::HOUR];
        yield 'two are' => [[new OutsideAttempt(404), new OutsideAttempt(404)], OutsideState::Broken, 6 * self::HOUR];
        yield '410 says so itself' => [[new OutsideAttempt(410)], OutsideState::Broken, self::HOUR];
        yield 'what worked goes on as working for two faults' => [
            [new OutsideAttempt(200), new OutsideAttempt(503), new OutsideAttempt(null, 'No answer in ten seconds.')],
            OutsideState::Works,
            6 * self::HOUR,
        ];
        yield 'three faults in a row' => [
            [new OutsideAttempt(200), new OutsideAttempt(500), new OutsideAttempt(null, 'x'), new OutsideAttempt(404)],
            OutsideState::Broken,
            24 * self::HOUR,
        ];
        yield 'a fault in between that passed' => [
            [new OutsideAttempt(404), new OutsideAttempt(200), new OutsideAttempt(404)],
            OutsideState::Works,
            self::HOUR,
        ];
        yield 'closed to programs' => [[new OutsideAttempt(403)], OutsideState::Unknown, self::WEEK];
        yield 'closed to programs all at once' => [[new OutsideAttempt(200), new OutsideAttempt(429)], OutsideState::Works, self::WEEK];
        yield 'asks for patience' => [[new OutsideAttempt(503, retryAfter: 2 * self::WEEK)], OutsideState::Unknown, 2 * self::WEEK];
        yield 'asks for too much patience' => [[new OutsideAttempt(503, retryAfter: PHP_INT_MAX)], OutsideState::Unknown, 4 * self::WEEK];
        yield 'a private network' => [[new OutsideAttempt(null, isForbidden: true)], OutsideState::Unknown, 4 * self::WEEK];
    }

    /** @param  list<OutsideAttempt>  $tries */
    #[Test, DataProvider('tries')]
    public function tries_in_a_row_say_what_is_known(array $tries, OutsideState $state, int $wait): void
    {
        $link = array_reduce($tries, static fn (OutsideLink $link, OutsideAttempt $attempt): OutsideLink => $link->after($attempt), new OutsideLink());
        self::assertSame([$state, $wait], [$link->state, $link->wait]);
        self::assertSame($state === OutsideState::Moved ? 'https://e.example/b' : null, $link->leadsTo);
    }

    #[Test]
    public function nothing_counts_as_broken_by_one_failure_but_410_and_whatever_answers_again_works_again(): void
    {
        $this->forAll(Generators::seq(Generators::elements(200, 204, 301, 401, 403, 404, 410, 429, 500, 503, null)))->then(static function (
            array $statuses,
        ): void {
            $link = new OutsideLink();
            $inRow = 0;
            foreach ($statuses as $status) {
                $before = $link;
                $link = $link->after(new OutsideAttempt($status));
                $inRow = $link->failures === 0 ? 0 : $inRow + 1;
                self::assertSame($inRow, $link->failures);
                self::assertGreaterThanOrEqual(self::HOUR, $link->wait, 'Nobody is asked more than once an hour.');
                if ($link->state === OutsideState::Broken && $before->state !== OutsideState::Broken) {
                    self::assertTrue($status === 410 || $inRow >= 2);
                }
            }
            self::assertSame(OutsideState::Works, $link->after(new OutsideAttempt(200))->state);
        });
    }
}
