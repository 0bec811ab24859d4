<?php

declare(strict_types=1);

namespace Tests\Core\Search;

use Heronstem\Core\Search\IndexNow;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What search engines are told, and what their answers mean. */
final class IndexNowTest extends TestCase
{
    #[Test]
    public function a_message_names_host_key_and_whole_addresses(): void
    {
        self::assertSame(
            [
                'host' => 'ferries.example',
                'key' => 'abcdef01',
                'keyLocation' => 'https://ferries.example/abcdef01.txt',
                'urlList' => ['https://ferries.example/', 'https://ferries.example/travel/fares'],
            ],
            IndexNow::message('https://ferries.example', 'abcdef01', ['/', '/travel/fares']),
        );
        self::assertSame('127.0.0.1:8081', IndexNow::message('http://127.0.0.1:8081', 'abcdef01', ['/'])['host']);
    }

    /** @return iterable<string, array{int|null, int, int|null, string, int}> status, tries, asked to wait, state, seconds to the next try */
    public static function answers(): iterable
    {
        yield 'taken' => [200, 1, null, 'taken', 0];
        yield 'taken, key looked at later' => [202, 1, null, 'taken', 0];
        yield 'not read' => [400, 1, null, 'refused', 0];
        yield 'key not found' => [403, 1, null, 'refused', 0];
        yield 'of another host' => [422, 1, null, 'refused', 0];
        yield 'too often' => [429, 1, null, 'waiting', 60];
        yield 'too often, with a wait' => [429, 2, 7200, 'waiting', 7200];
        yield 'a wait for ever' => [503, 1, PHP_INT_MAX, 'waiting', 48 * 3600];
        yield 'a fault' => [500, 3, null, 'waiting', 3600];
        yield 'nobody there' => [null, 5, null, 'waiting', 24 * 3600];
        yield 'nobody there for the sixth time' => [null, 6, null, 'refused', 0];
        yield 'sent elsewhere' => [301, 1, null, 'refused', 0];
    }

    #[Test, DataProvider('answers')]
    public function an_answer_says_whether_it_is_sent_again_and_when(?int $status, int $tries, ?int $retryAfter, string $state, int $wait): void
    {
        $fate = IndexNow::after($status, $tries, $retryAfter);
        self::assertSame([$state, $wait], [$fate->state, $fate->wait]);
        self::assertStringEndsWith('.', $fate->says);
    }
}
