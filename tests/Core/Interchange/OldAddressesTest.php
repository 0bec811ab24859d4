<?php

declare(strict_types=1);

namespace Tests\Core\Interchange;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Interchange\OldAddresses;
use Heronstem\Core\Redirect\Matching\OldPage;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class OldAddressesTest extends TestCase
{
    #[Test]
    public function a_list_and_a_table_with_titles_are_read(): void
    {
        self::assertSame(['/a', 'https://old.example/b?c=d'], array_keys(OldAddresses::read("/a\r\n\nhttps://old.example/b?c=d\nnot an address\n")));
        self::assertEquals(['/a' => new OldPage('/a', 'Timetables')], OldAddresses::read("url;title\n/a;Timetables\n"));
        self::assertSame('Timetables', OldAddresses::read("/a,Timetables\n/b,Fares\n")['/a']->title);
    }

    #[Test]
    public function what_a_crawl_knows_of_pages_is_read_and_what_is_no_page_is_left(): void
    {
        $table =
            "Address,Content Type,Title 1,H1-1,Canonical,Hreflang,Page views\n".
            "/ruter,text/html; charset=UTF-8,Ruter | Ferjer,Alle ruter,/ruter,/en/timetables /de/fahrplan,\"1,204\"\n".
            "/logo,image/png,,,,,\n";
        self::assertEquals(
            ['/ruter' => new OldPage('/ruter', 'Ruter | Ferjer', 'Alle ruter', ['/en/timetables', '/de/fahrplan'], 1204)],
            OldAddresses::read($table),
        );
        self::assertEquals(['/a' => new OldPage('/a', heading: 'Fares')], OldAddresses::read('{"url": "/a", "h1": "Fares"}'));
    }

    #[Test]
    public function a_sitemap_is_read(): void
    {
        $map =
            '<?xml version="1.0"?><urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9"><url><loc> https://old.example/a?b=1&amp;c=2 </loc></url><url><loc><![CDATA[https://old.example/d]]></loc></url></urlset>';
        self::assertSame(['https://old.example/a?b=1&c=2', 'https://old.example/d'], array_keys(OldAddresses::read($map)));
    }

    #[Test]
    public function a_sitemap_names_pages_in_other_languages(): void
    {
        $map =
            '<urlset xmlns:xhtml="http://www.w3.org/1999/xhtml"><url><loc>/ruter</loc><xhtml:link rel="alternate" hreflang="en" href="/en/times?a=1&amp;b=2"/></url><url><loc>/b</loc></url></urlset>';
        self::assertSame(
            [['/en/times?a=1&b=2'], []],
            array_map(static fn (OldPage $page): array => $page->also, array_values(OldAddresses::read($map))),
        );
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
        self::assertSame(['/b' => 2, '/a' => 1], array_map(static fn (OldPage $page): int => $page->requests, OldAddresses::read($log)));
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
