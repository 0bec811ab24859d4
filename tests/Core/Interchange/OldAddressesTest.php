<?php

declare(strict_types=1);

namespace Tests\Core\Interchange;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Interchange\OldAddresses;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class OldAddressesTest extends TestCase
{
    #[Test]
    public function a_list_and_a_table_with_titles_are_read(): void
    {
        self::assertSame(['/a', 'https://old.example/b?c=d'], array_keys(OldAddresses::read("/a\r\n\nhttps://old.example/b?c=d\nnot an address\n")));
        self::assertSame(['/a' => ['title' => 'Timetables', 'requests' => 0]], OldAddresses::read("url;title\n/a;Timetables\n"));
        self::assertSame('Timetables', OldAddresses::read("/a,Timetables\n/b,Fares\n")['/a']['title']);
    }

    #[Test]
    public function a_sitemap_is_read(): void
    {
        $map =
            '<?xml version="1.0"?><urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9"><url><loc> https://old.example/a?b=1&amp;c=2 </loc></url><url><loc><![CDATA[https://old.example/d]]></loc></url></urlset>';
        self::assertSame(['https://old.example/a?b=1&c=2', 'https://old.example/d'], array_keys(OldAddresses::read($map)));
    }

    #[Test]
    public function an_access_log_is_counted_without_pictures_and_refusals(): void
    {
        $line = static fn (
            string $request,
            int $status,
        ): string => "10.0.0.1 - - [25/Nov/2026:10:00:00 +0000] \"$request\" $status 512 \"-\" \"Mozilla/5.0\"\n";
        $log =
            $line('GET /a?x=1 HTTP/1.1', 200).
            $line('GET /b HTTP/1.1', 404).
            $line('GET /b HTTP/1.1', 301).
            $line('GET /logo.png HTTP/1.1', 200).
            $line('POST /c HTTP/1.1', 403).
            $line('OPTIONS /d HTTP/1.1', 200);
        self::assertSame(['/b' => 2, '/a' => 1], array_map(static fn (array $row): int => $row['requests'], OldAddresses::read($log)));
    }

    #[Test]
    public function nothing_and_too_much_are_refused(): void
    {
        foreach (
            ['' => 'No address', implode("\n", array_map(static fn (int $n): string => "/a/$n", range(0, OldAddresses::MAX_LINES))) => 'At most'] as $text => $reason
        ) {
            try {
                OldAddresses::read((string) $text);
                self::fail('It was taken.');
            } catch (InputRefused $refused) {
                self::assertStringContainsString($reason, $refused->reason);
            }
        }
    }
}
