<?php

declare(strict_types=1);

namespace Tests\Core\Interchange\Pages;

use Heronstem\Core\Interchange\Pages\GivenPage;
use Heronstem\Core\Interchange\Pages\HtmlFiles;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Saved pages: what is a page's own, what repeats on all of them, and what a page says of itself in its head. */
final class HtmlFilesTest extends TestCase
{
    #[Test]
    public function what_repeats_on_the_pages_is_no_content_and_its_lists_of_links_are_menus(): void
    {
        $files = self::files();
        $read = HtmlFiles::learnt($files);
        $pages = self::pages($read, $files);

        self::assertSame(['Home', 'Fares', 'Times', 'Help'], array_column($pages, 'name'));
        foreach ($pages as $page) {
            self::assertStringContainsString("Words of {$page->name}", (string) $page->content?->text);
            self::assertStringNotContainsString('Ferries since 1911', (string) $page->content?->text);
            self::assertStringNotContainsString('<nav', (string) $page->content?->text);
            self::assertStringNotContainsString('<h1', (string) $page->content?->text, 'The heading is the page’s, not part of its content.');
        }
        [$menu] = $read->menus();
        self::assertSame(['Fares', 'Times', 'Help'], array_column($menu->links, 'label'));
        self::assertSame(['/fares.html', '/travel/times.html', '/help.html'], array_column($menu->links, 'href'));
    }

    #[Test]
    public function a_link_within_a_sentence_is_words_of_the_page_however_many_pages_have_it(): void
    {
        $files = array_map(
            static fn (string $html): string => str_replace(
                '</h1>',
                '</h1><p>'.md5($html).' reasons to <a href="/help.html">ask us</a>.</p>',
                $html,
            ),
            self::files(),
        );
        foreach (self::pages(HtmlFiles::learnt($files), $files) as $page) {
            self::assertStringContainsString('reasons to <a href="/help.html">ask us</a>.', (string) $page->content?->text, $page->at);
        }
    }

    #[Test]
    public function the_head_of_a_page_says_the_rest(): void
    {
        $page = self::page(
            '<title>Fares</title><meta name="Description" content="What it&#39;s worth"><meta property="og:title" content="Our fares"><link rel="canonical" href="https://old.example/prices"><meta name="robots" content="noindex, nofollow">',
            '<main><h1>All <em>fares</em></h1><p>Words</p></main>',
        );

        self::assertSame('All fares', $page->name);
        self::assertSame(["What it's worth", 'Our fares'], [$page->texts['searchDescription'], $page->texts['socialTitle']]);
        self::assertSame(['index' => false, 'follow' => false, 'canonical' => 'https://old.example/prices'], $page->settings);
    }

    #[Test]
    public function links_are_resolved_from_where_the_page_stood(): void
    {
        $html = (string) self::page(
            '',
            '<main><h1>T</h1><a href="../help.html#top">H</a><img src="pier.jpg" alt="P"><a href="#part">P</a></main>',
            'travel/times.html',
        )->content?->text;

        self::assertStringContainsString('href="/help.html#top"', $html);
        self::assertStringContainsString('src="/travel/pier.jpg"', $html);
        self::assertStringContainsString('href="#part"', $html);
    }

    #[Test]
    #[TestWith(['<meta charset="iso-8859-1">', "F\xE4hre"])]
    #[TestWith(['<meta http-equiv="Content-Type" content="text/html; charset=windows-1252">', "F\xE4hre"])]
    #[TestWith(['<meta charset="utf-8">', "F\u{E4}hre"])]
    #[TestWith(['', "F\u{E4}hre"])]
    #[TestWith(['', "F\xE4hre"])]
    #[TestWith(['<meta charset="nonsense">', "F\xE4hre"])]
    public function letters_are_read_in_the_encoding_that_the_page_has(string $meta, string $heading): void
    {
        self::assertSame('Fähre', self::page($meta, "<h1>$heading</h1><p>Words</p>")->name);
    }

    #[Test]
    #[TestWith([''])]
    #[TestWith(['<'])]
    #[TestWith(["\0\0\0"])]
    #[TestWith(['<html><head></head></html>'])]
    #[TestWith(['<frameset><frame src="a.html"></frameset>'])]
    public function a_page_without_anything_of_its_own_comes_without_content_and_says_so(string $html): void
    {
        $page = HtmlFiles::learnt([])->page('odd.html', $html);

        self::assertFalse($page->isRefused());
        self::assertNull($page->content);
        self::assertStringContainsString('without content', $page->remarks[0]->reason ?? '');
    }

    #[Test]
    public function a_page_that_is_too_large_is_refused_by_name(): void
    {
        self::assertTrue(
            HtmlFiles::learnt([])
                ->page('large.html', '<p>'.str_repeat('x', HtmlFiles::MAX_BYTES))
                ->isRefused(),
        );
    }

    #[Test]
    #[TestWith(['<div>', 1500])]
    #[TestWith(['<ul><li><a href="x">y', 12000])]
    #[TestWith(['<b><i>', 20000])]
    #[TestWith(['<a href="x">', 40000])]
    public function a_page_nested_without_end_is_refused_before_it_is_parsed(string $tags, int $times): void
    {
        $html = '<h1>T</h1>'.str_repeat($tags, $times);
        self::assertTrue(
            HtmlFiles::learnt(['a.html' => $html])
                ->page('a.html', $html)
                ->isRefused(),
        );
    }

    #[Test]
    public function lists_whose_tags_are_not_closed_are_read(): void
    {
        self::assertSame('Long', self::page('', '<h1>Long</h1><ul>'.str_repeat('<li>one<p>two<br><img src="x" alt="y">', 5000))->name);
    }

    #[Test]
    public function deep_nesting_and_many_elements_are_read(): void
    {
        $page = self::page('', '<h1>Deep</h1>'.str_repeat('<div>', 900).'Words'.str_repeat('</div>', 900));
        self::assertSame('Deep', $page->name);
        $page = self::page('', '<h1>Wide</h1>'.str_repeat('<p><a href="x">y</a></p>', 5000));
        self::assertSame('Wide', $page->name);
    }

    /** @return array<string, string> */
    private static function files(): array
    {
        $files = [];
        foreach (['index.html' => 'Home', 'fares.html' => 'Fares', 'travel/times.html' => 'Times', 'help.html' => 'Help'] as $path => $name) {
            $up = str_contains($path, '/') ? '../' : '';
            $files[
                $path
            ] = "<!doctype html><html><head><title>$name – Skerrivane Ferries</title></head><body><header><p>Ferries since 1911</p><nav><ul><li><a href=\"{$up}fares.html\">Fares</a></li><li><a href=\"{$up}travel/times.html\">Times</a></li><li><a href=\"{$up}help.html\">Help</a></li></ul></nav></header><div><h1>$name</h1><p>Words of $name.</p></div><footer><p>Ferries since 1911, the office</p></footer></body></html>";
        }

        return $files;
    }

    private static function page(string $head, string $body, string $path = 'page.html'): GivenPage
    {
        return HtmlFiles::learnt([])->page($path, "<!doctype html><html><head>$head</head><body>$body</body></html>");
    }

    /**
     * @param  array<string, string>  $files
     * @return list<GivenPage>
     */
    private static function pages(HtmlFiles $read, array $files): array
    {
        return [...(static fn () => (yield from $read->pages($files)))()];
    }
}
