<?php

declare(strict_types=1);

namespace Tests\Core\Interchange\Pages;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Interchange\Pages\AddressSources;
use Heronstem\Core\Interchange\Pages\FrontMatter;
use Heronstem\Core\Interchange\Pages\GivenPage;
use Heronstem\Core\Interchange\Pages\MarkdownFiles;
use Heronstem\Core\Interchange\Pages\OutlineFile;
use Heronstem\Core\Interchange\Pages\OutlineWriter;
use Heronstem\Core\Interchange\Pages\PageTable;
use Heronstem\Core\Interchange\Pages\SourceFormat;
use Heronstem\Core\Interchange\Pages\TableRows;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\MemorySite;

/** Lists, logs, sitemaps, outlines, tables and Markdown: what each says of pages, and how each says that it cannot be read. */
final class ReadersTest extends TestCase
{
    use TestTrait;

    #[Test]
    #[TestWith(["https://old.example/\n/travel", 'addresses'])]
    #[TestWith(["/travel Travel, and fares\n/help", 'addresses'])]
    #[TestWith(["\xEF\xBB\xBF/travel\tTravel", 'addresses'])]
    #[TestWith(["/travel,Travel\n/help,Help", 'table'])]
    #[TestWith(["/travel\tTravel\tlive", 'table'])]
    #[TestWith(["address;name\n/travel;Travel", 'table'])]
    #[TestWith(['<?xml version="1.0"?><sm:urlset xmlns:sm="x">', 'sitemap'])]
    #[TestWith(["<?xml version='1.0'?>\n<opml version='2.0'>", 'opml'])]
    #[TestWith(['<!DOCTYPE html><html>', 'html'])]
    #[TestWith(["---\ntitle: x\n---", 'markdown'])]
    #[TestWith(['{ "format" : "heronstem-site", "version": 1 }', 'json'])]
    #[TestWith(['192.0.2.1 - - [29/Nov/2026:10:00:00 +0000] "GET / HTTP/1.1" 200 1', 'log'])]
    public function what_a_text_is_shows_at_its_beginning(string $text, string $format): void
    {
        self::assertSame($format, SourceFormat::ofText($text)->value);
    }

    #[Test]
    public function a_list_names_its_lines_and_those_without_an_address(): void
    {
        $pages = self::all(AddressSources::list("\xEF\xBB\xBF# ours\r\n/travel\tTravel and fares\r\n\r\nhttps://old.example/help\r\nnonsense here"));

        self::assertSame(['line 2', 'line 4', 'line 5'], array_column($pages, 'at'));
        self::assertSame(['Travel and fares', null, 'here'], array_column($pages, 'name'));
        self::assertSame([false, false, true], array_map(static fn (GivenPage $page): bool => $page->isRefused(), $pages));
    }

    #[Test]
    public function a_log_gives_the_pages_that_visitors_got_the_most_asked_for_first(): void
    {
        $line = static fn (
            string $asked,
            int $answer,
        ): string => "192.0.2.7 - - [29/Nov/2026:10:00:00 +0000] \"$asked HTTP/1.1\" $answer 512 \"-\" \"x\"";
        $log = implode("\n", [
            $line('GET /help', 200),
            $line('GET /travel?from=mail', 200),
            $line('GET /travel', 304),
            $line('GET /gone', 404),
            $line('GET /old', 301),
            $line('POST /form', 200),
            $line('GET /_files/pier.jpg', 200),
            'no line of a log',
        ]);
        $pages = self::all(AddressSources::log($log));

        self::assertSame(['/travel' => 2, '/help' => 1], array_column($pages, 'requests', 'address'));
    }

    #[Test]
    public function a_sitemap_gives_its_addresses_and_not_those_of_pictures(): void
    {
        $pages = self::all(
            AddressSources::sitemap(
                '<?xml version="1.0"?><urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9" xmlns:image="http://www.google.com/schemas/sitemap-image/1.1"><url><loc> https://old.example/a&amp;b </loc><image:image><image:loc>https://old.example/pier.jpg</image:loc></image:image></url><url><loc>https://old.example/c</loc></url></urlset>',
            ),
        );

        self::assertSame(['https://old.example/a&b', 'https://old.example/c'], array_column($pages, 'address'));
    }

    #[Test]
    public function an_index_of_sitemaps_says_what_to_give_instead(): void
    {
        [$page] = self::all(
            AddressSources::sitemap(
                '<sitemapindex xmlns="http://www.sitemaps.org/schemas/sitemap/0.9"><sitemap><loc>https://old.example/1.xml</loc></sitemap></sitemapindex>',
            ),
        );

        self::assertTrue($page->isRefused());
        self::assertStringContainsString('another sitemap', $page->remarks[0]->reason);
    }

    #[Test]
    #[TestWith(['<urlset>'])]
    #[TestWith(['<urlset></urlset>'])]
    #[TestWith(['not XML'])]
    #[TestWith([''])]
    #[
        TestWith([
            '<!DOCTYPE u [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;&a;&a;">]><urlset><url><loc>https://x.example/&b;</loc></url></urlset>',
        ]),
    ]
    #[TestWith(['<!DOCTYPE u [<!ENTITY f SYSTEM "file:///etc/passwd">]><urlset><url><loc>https://x.example/&f;</loc></url></urlset>'])]
    public function xml_that_is_none_or_means_harm_is_refused(string $xml): void
    {
        $this->expectException(InputRefused::class);
        self::all(AddressSources::sitemap($xml));
    }

    #[Test]
    public function an_outline_nests_its_pages(): void
    {
        $pages = self::all(
            OutlineFile::pages(
                '<opml version="2.0"><body><outline text="Travel"><outline text="Fares &amp; passes" htmlUrl="https://old.example/fares"/></outline><outline title="Help" slug="questions"/></body></opml>',
            ),
        );

        self::assertSame(['Travel', 'Fares & passes', 'Help'], array_column($pages, 'name'));
        self::assertSame([null, $pages[0]->key, null], array_column($pages, 'parent'));
        self::assertSame('questions', $pages[2]->slug);
    }

    #[Test]
    #[TestWith(['<opml/>'])]
    #[TestWith(['<html><body></html>'])]
    public function what_is_no_outline_is_refused(string $xml): void
    {
        $this->expectException(InputRefused::class);
        self::all(OutlineFile::pages($xml));
    }

    #[Test]
    public function an_outline_nested_without_end_is_refused(): void
    {
        $this->expectExceptionMessage('levels deep');
        self::all(OutlineFile::pages('<opml><body>'.str_repeat('<outline text="x">', 150).str_repeat('</outline>', 150).'</body></opml>'));
    }

    #[Test]
    public function an_outline_that_was_taken_out_nests_as_the_site_did(): void
    {
        $site = new MemorySite();
        foreach ([['Travel', null], ['Fares', 'Travel'], ['Day "trips" & more', 'Fares'], ['Times', 'Travel'], ['Help', null]] as [$name, $under]) {
            $site->live($name, $under);
        }
        $out = implode('', [...OutlineWriter::pieces('Ferries', $site->whole(), 'https://www.ferries.example')]);
        $read = self::all(OutlineFile::pages($out));
        $names = array_column($read, 'name', 'key');

        self::assertSame(
            array_map(static fn ($page): array => [$page->name, $page->parent], [...$site->whole()]),
            array_map(static fn (GivenPage $page): array => [$page->name, $names[$page->parent] ?? null], $read),
        );
    }

    #[Test]
    public function a_table_is_read_by_what_its_columns_are_headed(): void
    {
        $pages = self::table(
            "URL;Page name;Meta description;Status;Old URLs;fields.takes\n/travel;Travel;How to get here;published;/reisen, /trip;35\n;;;;;\n/help;Help;;draft;;\n",
        );

        self::assertSame(['/travel', '/help'], array_column($pages, 'address'));
        self::assertSame(['Travel', 'Help'], array_column($pages, 'name'));
        self::assertSame('How to get here', $pages[0]->texts['searchDescription']);
        self::assertSame(['/reisen', '/trip'], $pages[0]->former);
        self::assertSame('35', $pages[0]->fields['takes']);
        self::assertSame(['line 2', 'line 4'], array_column($pages, 'at'));
    }

    #[Test]
    public function columns_of_levels_make_a_tree(): void
    {
        $pages = self::table("Level 1,Level 2,Level 3\nTravel,,\n,Fares,\n,,Children\n,Times,\nHelp,,\n");
        $names = array_column($pages, 'name', 'key');

        self::assertSame(
            [['Travel', null], ['Fares', 'Travel'], ['Children', 'Fares'], ['Times', 'Travel'], ['Help', null]],
            array_map(static fn (GivenPage $page): array => [$page->name, $names[$page->parent] ?? null], $pages),
        );
    }

    #[Test]
    public function cells_with_line_breaks_and_quotes_are_one_cell_and_rows_are_named_by_where_they_begin(): void
    {
        $pages = self::table("address,name,summary\n/a,\"A \"\"quoted\"\" name\",\"first\nsecond\"\n/b,B,\n");

        self::assertSame(['A "quoted" name', 'B'], array_column($pages, 'name'));
        self::assertSame(['line 2', 'line 4'], array_column($pages, 'at'));
    }

    #[Test]
    public function whatever_a_table_holds_each_row_is_a_page_with_or_without_remarks(): void
    {
        $cell = Generators::elements([
            '',
            '/a',
            'https://x.example/y',
            'Name',
            'draft',
            'yes',
            '"',
            "a\nb",
            '=1+1',
            "\u{202E}x",
            str_repeat('w', 3000),
        ]);
        $this->limitTo(300)
            ->forAll(
                Generators::vector(
                    3,
                    Generators::elements([
                        'address',
                        'name',
                        'slug',
                        'state',
                        'parent',
                        'level 1',
                        'level 2',
                        'tags',
                        'canonical',
                        'fields.x',
                        '',
                        'from',
                    ]),
                ),
                Generators::seq(Generators::vector(3, $cell)),
            )
            ->then(function (array $head, array $rows): void {
                $quoted = static fn (array $cells): string => implode(
                    ',',
                    array_map(static fn (string $one): string => '"'.str_replace('"', '""', $one).'"', $cells),
                );
                $pages = self::table(implode("\n", array_map($quoted, [$head, ...$rows])));
                self::assertLessThanOrEqual(count($rows) * 3, count($pages));
                foreach ($pages as $page) {
                    self::assertEquals(
                        $page,
                        GivenPage::fromArray(json_decode(json_encode($page->toArray(), JSON_THROW_ON_ERROR), true, flags: JSON_THROW_ON_ERROR)),
                    );
                }
            });
    }

    #[Test]
    public function markdown_files_are_pages_of_their_folder_and_say_the_rest_in_front(): void
    {
        $pages = self::all(
            MarkdownFiles::pages([
                'README.md' => "# Skerrivane Ferries\n\nWelcome.",
                'travel/_index.md' => "---\ntitle: Travel\ndraft: true\ntags: [ferries, islands]\naliases:\n  - /reisen\n---\n\nHow to get here.",
                'travel/day trips.md' => "---\ntitle: [\n---\nText",
                'pier.jpg' => 'bytes',
            ]),
        );

        self::assertSame(['/', '/travel', '/travel/day%20trips'], array_column($pages, 'address'));
        self::assertSame(['Skerrivane Ferries', 'Travel', null], array_column($pages, 'name'));
        self::assertSame(['draft', ['ferries', 'islands'], ['/reisen']], [$pages[1]->state, $pages[1]->tags, $pages[1]->former]);
        self::assertTrue($pages[2]->isRefused());
    }

    #[Test]
    #[TestWith(["---\na: !php/object 'O:8:\"stdClass\":0:{}'\n---\n"])]
    #[TestWith(["---\na: !php/const PHP_VERSION\n---\n"])]
    #[TestWith(["---\njust words\n---\n"])]
    public function front_matter_holds_texts_and_no_objects(string $file): void
    {
        $front = FrontMatter::of($file);
        self::assertNotNull($front->fault);
        self::assertSame([], $front->said);
    }

    #[Test]
    public function a_line_of_dashes_further_down_is_no_front_matter(): void
    {
        self::assertSame(
            [[], "Text\n---\na: b\n---\n"],
            [FrontMatter::of("Text\n---\na: b\n---\n")->said, FrontMatter::of("Text\n---\na: b\n---\n")->text],
        );
    }

    /**
     * @param  iterable<GivenPage>  $pages
     * @return list<GivenPage>
     */
    private static function all(iterable $pages): array
    {
        return [...(static fn () => (yield from $pages))()];
    }

    /** @return list<GivenPage> */
    private static function table(string $text): array
    {
        $rows = new TableRows($text);
        $table = null;
        foreach ($rows->all() as $first) {
            $table = new PageTable($first);
            break;
        }

        return $table === null ? [] : self::all($table->pages($rows->all()));
    }
}
