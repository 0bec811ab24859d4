<?php

declare(strict_types=1);

namespace Tests\Core\Search;

use Heronstem\Core\Content\Layout\Layout;
use Heronstem\Core\Content\Layout\LayoutReader;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Search\DescriptionSource;
use Heronstem\Core\Search\EffectiveSearch;
use Heronstem\Core\Search\HeadTags;
use Heronstem\Core\Search\PageFacts;
use Heronstem\Core\Search\SearchDescription;
use Heronstem\Core\Search\SearchTitle;
use Heronstem\Core\Search\SettingScope;
use Heronstem\Core\Search\SettingSource;
use Heronstem\Core\Search\SiteFacts;
use Heronstem\Core\Search\SitemapTerms;
use Heronstem\Core\Search\SitemapWriter;
use Heronstem\Core\Search\StructuredData;
use Heronstem\Core\Search\TextPattern;
use Heronstem\Core\Search\TextWidth;
use Heronstem\Core\Search\TitleSource;
use Heronstem\Core\Tree\ChangeFrequency;
use Heronstem\Core\Tree\FieldValues;
use Heronstem\Core\Tree\PageTexts;
use Heronstem\Core\Tree\SearchDefaults;
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
        $made = SearchTitle::of($this->page(pattern: $pattern), $this->site());
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
        self::assertSame(DescriptionSource::None, SearchDescription::of($this->page(), new SiteFacts('Ferries', '', 'en', 'http://f.test'))->source);
    }

    #[Test]
    public function a_first_sentence_that_is_too_long_is_cut_at_a_word(): void
    {
        $made = SearchDescription::of($this->page(text: str_repeat('harbour ', 40).'.'), $this->site())->text;
        self::assertLessThanOrEqual(SearchDescription::MAX_WIDTH, TextWidth::of($made, SearchDescription::SIZE));
        self::assertGreaterThan(SearchDescription::MAX_WIDTH - 80, TextWidth::of($made, SearchDescription::SIZE));
        self::assertStringEndsWith('harbour…', $made);
    }

    #[Test]
    public function the_canonical_address_is_the_pages_own(): void
    {
        $tags = HeadTags::of($this->page(), $this->site());
        self::assertSame('http://ferries.test/travel/timetables', $tags->canonical);
        self::assertSame(['og:type', 'og:site_name', 'og:title', 'og:description', 'og:url', 'og:locale'], array_keys($tags->openGraph()));
        self::assertSame(['', 'summary'], [$tags->robots, $tags->card()['twitter:card']]);
    }

    #[Test]
    public function a_sitemap_is_written_piece_by_piece_and_is_well_formed(): void
    {
        $lines = array_map(static fn (int $i): string => "/a?b=$i&c=<d>\t2026-05-03 10:00:00.25\t".($i === 7 ? 'told "so"' : ''), range(0, 2199));
        $asked = [];
        $pieces = iterator_to_array(
            (new SitemapWriter())->part($lines, 'http://ferries.test', static function (string $told) use (&$asked): SitemapTerms {
                $asked[] = $told;

                return $told === '' ? new SitemapTerms() : new SitemapTerms(ChangeFrequency::Weekly, 10, ['http://ferries.test/a&b.png']);
            }),
            false,
        );
        self::assertGreaterThan(3, count($pieces));
        self::assertSame(['', 'told "so"'], $asked, 'What is told alike is asked once.');
        $xml = simplexml_load_string(implode('', $pieces));
        self::assertCount(2200, $xml->url);
        self::assertSame('http://ferries.test/a?b=7&c=<d>', (string) $xml->url[7]->loc);
        self::assertSame(
            ['2026-05-03T10:00:00Z', 'weekly', '1.0'],
            [(string) $xml->url[7]->lastmod, (string) $xml->url[7]->changefreq, (string) $xml->url[7]->priority],
        );
        self::assertSame('http://ferries.test/a&b.png', (string) $xml->url[7]->children('image', true)->image->loc);
        self::assertSame('', (string) $xml->url[8]->changefreq);
        $index = simplexml_load_string(
            (new SitemapWriter())->index(['http://ferries.test/sitemap-1.xml', 'http://ferries.test/sitemap-2.xml'], 1_777_802_400),
        );
        self::assertSame(
            ['http://ferries.test/sitemap-2.xml', '2026-05-03T10:00:00Z'],
            [(string) $index->sitemap[1]->loc, (string) $index->sitemap[1]->lastmod],
        );
        self::assertSame('http://www.sitemaps.org/schemas/sitemap/0.9', $index->getNamespaces()['']);
    }

    #[Test]
    public function an_unlisted_page_asks_not_to_be_listed_and_one_that_names_another_says_which(): void
    {
        $facts = new PageFacts(
            'Timetables',
            null,
            null,
            new PageTexts(socialTitle: 'All boats', socialDescription: 'Every day.'),
            '',
            '/t',
            EffectiveSearch::of([[new SettingSource(SettingScope::Own), new SearchDefaults(follow: false)]]),
            'https://elsewhere.example/t?a=1&b=<2>',
            false,
            '/_files/p.png',
        );
        $tags = HeadTags::of($facts, $this->site());
        self::assertSame(
            ['noindex, nofollow', 'https://elsewhere.example/t?a=1&b=<2>', 'summary_large_image'],
            [$tags->robots, $tags->canonical, $tags->card()['twitter:card']],
        );
        self::assertSame(
            ['All boats', 'Every day.', 'http://ferries.test/_files/p.png'],
            [$tags->socialTitle, $tags->socialDescription, $tags->picture],
        );
        self::assertStringContainsString('<link rel="canonical" href="https://elsewhere.example/t?a=1&amp;b=&lt;2&gt;">', $tags->toHtml());
        self::assertStringContainsString('<meta name="robots" content="noindex, nofollow">', $tags->toHtml());
        self::assertNull(
            HeadTags::of(new PageFacts('T', null, null, new PageTexts(), '', '/t', EffectiveSearch::byDefault(), ''), $this->site())->canonical,
        );
    }

    #[Test]
    public function a_pattern_for_descriptions_goes_before_the_summary_and_behind_the_pages_own(): void
    {
        $pattern = EffectiveSearch::of([
            [new SettingSource(SettingScope::Branch, 'x', 'Islands'), new SearchDefaults(descriptionPattern: '{name}: {summary}')],
        ]);
        $of = fn (string $own): SearchDescription => SearchDescription::of(
            new PageFacts('Skerra', null, null, new PageTexts(summary: 'Seals.', searchDescription: $own), '', '/skerra', $pattern),
            $this->site(),
        );
        self::assertSame(['Skerra: Seals.', DescriptionSource::Pattern], [$of('')->text, $of('')->source]);
        self::assertSame(['Own.', DescriptionSource::Own], [$of('Own.')->text, $of('Own.')->source]);
        self::assertSame('Islands', $pattern->source('descriptionPattern')->name);
    }

    /** @return iterable<string, array{string, string}> */
    public static function faultyPatterns(): iterable
    {
        yield 'an unknown name' => ['{headign} · {site}', '{heading} · {site}'];
        yield 'a foreign name' => ['{zzz}', ''];
        yield 'a brace alone' => ['{name · x', ''];
        yield 'another brace alone' => ['name} x', ''];
        yield 'braces in braces' => ['{{name}}', ''];
    }

    #[Test, DataProvider('faultyPatterns')]
    public function a_pattern_that_cannot_be_filled_is_refused_with_the_nearest_name(string $typed, string $suggestion): void
    {
        try {
            TextPattern::read($typed, 'titlePattern');
            self::fail('This was to be refused.');
        } catch (InputRefused $refused) {
            self::assertSame('titlePattern', $refused->field);
            if ($suggestion !== '') {
                self::assertSame($suggestion, $refused->suggestion);
            }
        }
    }

    #[Test]
    public function a_pattern_names_fields_of_the_layout_and_what_says_nothing_takes_its_separator_along(): void
    {
        $layout = LayoutReader::read(
            'boat',
            '{"title": "B", "description": "D", "properties": {"price": {"$ref": "urn:heronstem:field:money", "title": "P", "currency": "GBP"}}}',
        );
        $filled = fn (array $values, string $pattern): string => TextPattern::read($pattern, 'titlePattern')->fill(
            new PageFacts(
                'Petrel',
                null,
                null,
                new PageTexts(fields: new FieldValues($values)),
                '',
                '/petrel',
                EffectiveSearch::byDefault(),
                layout: static fn (): Layout => $layout,
            ),
            $this->site(),
        );
        self::assertSame('Petrel · £14,500.00', $filled(['price' => '14500.00'], '{name} · {fields.price}'));
        self::assertSame('Petrel', $filled([], '{name} · {fields.price}'));
        self::assertSame('Petrel', $filled(['price' => 'dear', 'length' => 4], '{name} · {fields.price} · {fields.length}'));
        $this->expectException(InputRefused::class);
        TextPattern::read('{fields.Price}', 'titlePattern');
    }

    #[Test]
    public function linked_data_numbers_the_way_and_cannot_leave_its_element(): void
    {
        $tags = HeadTags::of($this->page(), $this->site());
        $data = StructuredData::of(
            $tags,
            $this->site(),
            [['name' => 'Home', 'address' => '/'], ['name' => '</script><b>&', 'address' => '/x']],
            '/_search',
        );
        self::assertStringNotContainsString('<', $data);
        $graph = json_decode($data, true)['@graph'];
        self::assertSame(['Organization', 'WebSite', 'WebPage', 'BreadcrumbList'], array_column($graph, '@type'));
        self::assertSame(
            ['@type' => 'ListItem', 'position' => 2, 'name' => '</script><b>&', 'item' => 'http://ferries.test/x'],
            $graph[3]['itemListElement'][1],
        );
        self::assertSame('http://ferries.test/_search?q={search_term_string}', $graph[1]['potentialAction']['target']['urlTemplate']);
        self::assertCount(3, json_decode(StructuredData::of($tags, $this->site(), []), true)['@graph'], 'The start page has no way to it.');
    }

    private function site(): SiteFacts
    {
        return new SiteFacts('Ferries', 'Boats.', 'en-GB', 'http://ferries.test');
    }

    private function page(
        string $heading = 'Ferry timetables',
        string $title = '',
        string $description = '',
        string $summary = '',
        string $text = '',
        ?string $pattern = null,
    ): PageFacts {
        return new PageFacts(
            'Timetables',
            'Travel',
            null,
            new PageTexts($heading, $summary, $title, $description),
            $text,
            '/travel/timetables',
            EffectiveSearch::of([[new SettingSource(SettingScope::Site), new SearchDefaults(titlePattern: $pattern)]]),
        );
    }
}
