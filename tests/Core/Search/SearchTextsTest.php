<?php

declare(strict_types=1);

namespace Tests\Core\Search;

use Heronstem\Core\Search\DescriptionSource;
use Heronstem\Core\Search\HeadTags;
use Heronstem\Core\Search\PageFacts;
use Heronstem\Core\Search\SearchDescription;
use Heronstem\Core\Search\SearchTitle;
use Heronstem\Core\Search\SiteFacts;
use Heronstem\Core\Search\SitemapEntry;
use Heronstem\Core\Search\SitemapWriter;
use Heronstem\Core\Search\TitleSource;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class SearchTextsTest extends TestCase
{
    /** @return iterable<string, array{string, string}> */
    public static function patterns(): iterable
    {
        yield 'heading and site' => ['{heading} · {site}', 'Ferry timetables · Ferries'];
        yield 'section' => ['{name} – {section} | {site}', 'Timetables – Travel | Ferries'];
        yield 'a part with nothing to say' => ['{name} · {parent} · {site}', 'Timetables · Ferries'];
        yield 'nothing at the end' => ['{name} | {parent}', 'Timetables'];
        yield 'nothing at the start' => ['{parent} - {name}', 'Timetables'];
        yield 'blank pattern' => ['  ', 'Ferry timetables'];
    }

    #[Test, DataProvider('patterns')]
    public function the_sites_pattern_makes_the_title(string $pattern, string $title): void
    {
        $made = SearchTitle::of($this->page(), $this->site($pattern));
        self::assertSame([$title, TitleSource::Pattern], [$made->text, $made->source]);
    }

    #[Test]
    public function a_hyphen_inside_a_name_is_no_separator(): void
    {
        self::assertSame('Skerra-Vanesay · Ferries', SearchTitle::of($this->page(heading: 'Skerra-Vanesay'), $this->site())->text);
    }

    #[Test]
    public function the_pages_own_title_goes_first_with_white_space_folded(): void
    {
        $own = SearchTitle::of($this->page(title: "  All\n sailings "), $this->site());
        self::assertSame(['All sailings', TitleSource::Own], [$own->text, $own->source]);
    }

    #[Test]
    public function the_description_falls_back_and_names_its_source(): void
    {
        $cases = [
            [DescriptionSource::Own, 'Own.', $this->page(description: 'Own.', summary: 'Summary.', text: 'Words.')],
            [DescriptionSource::Summary, 'Summary.', $this->page(summary: 'Summary.', text: 'Words.')],
            [
                DescriptionSource::Content,
                'Boats sail at 8 a.m. daily. Come early.',
                $this->page(text: "Boats sail at 8 a.m. daily. Come early.\n".str_repeat('Long sentence without end ', 10).'.'),
            ],
            [DescriptionSource::Site, 'Boats.', $this->page()],
        ];
        foreach ($cases as [$source, $text, $page]) {
            $made = SearchDescription::of($page, $this->site());
            self::assertSame([$source, $text], [$made->source, $made->text]);
        }
        self::assertSame(
            DescriptionSource::None,
            SearchDescription::of($this->page(), new SiteFacts('Ferries', '{name}', '', 'en', 'http://f.test'))->source,
        );
    }

    #[Test]
    public function a_first_sentence_that_is_too_long_is_cut_at_a_word(): void
    {
        $made = SearchDescription::of($this->page(text: str_repeat('harbour ', 40).'.'), $this->site())->text;
        self::assertLessThanOrEqual(SearchDescription::MAX_LENGTH_FROM_CONTENT, mb_strlen($made));
        self::assertStringEndsWith('harbour…', $made);
    }

    #[Test]
    public function the_canonical_address_is_the_pages_own(): void
    {
        $tags = HeadTags::of($this->page(), $this->site());
        self::assertSame('http://ferries.test/travel/timetables', $tags->canonical);
        self::assertSame(['og:type', 'og:site_name', 'og:title', 'og:description', 'og:url', 'og:locale'], array_keys($tags->openGraph()));
    }

    #[Test]
    public function a_sitemap_is_written_piece_by_piece_and_is_well_formed(): void
    {
        $entries = (function () {
            for ($i = 0; $i < 1200; $i++) {
                yield new SitemapEntry("http://ferries.test/a?b=$i&c=<d>", new \DateTimeImmutable('2026-05-03T10:00:00Z'));
            }
        })();
        $pieces = iterator_to_array((new SitemapWriter())->part($entries), false);
        self::assertGreaterThan(2, count($pieces));
        $xml = simplexml_load_string(implode('', $pieces));
        self::assertCount(1200, $xml->url);
        self::assertSame('http://ferries.test/a?b=7&c=<d>', (string) $xml->url[7]->loc);
        self::assertSame('2026-05-03T10:00:00+00:00', (string) $xml->url[0]->lastmod);
        self::assertStringContainsString(
            '<sitemapindex xmlns="http://www.sitemaps.org/schemas/sitemap/0.9"',
            implode('', iterator_to_array((new SitemapWriter())->index([]))),
        );
    }

    private function site(string $pattern = '{heading} · {site}'): SiteFacts
    {
        return new SiteFacts('Ferries', $pattern, 'Boats.', 'en-GB', 'http://ferries.test');
    }

    private function page(
        string $heading = 'Ferry timetables',
        ?string $title = null,
        ?string $description = null,
        ?string $summary = null,
        string $text = '',
    ): PageFacts {
        return new PageFacts('Timetables', $heading, 'Travel', null, $title, $description, $summary, $text, '/travel/timetables');
    }
}
