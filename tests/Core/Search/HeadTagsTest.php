<?php

declare(strict_types=1);

namespace Tests\Core\Search;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Search\EffectiveSearch;
use Heronstem\Core\Search\HeadTags;
use Heronstem\Core\Search\PageFacts;
use Heronstem\Core\Search\SettingScope;
use Heronstem\Core\Search\SettingSource;
use Heronstem\Core\Search\SiteFacts;
use Heronstem\Core\Search\StructuredData;
use Heronstem\Core\Tree\PageTexts;
use Heronstem\Core\Tree\SearchDefaults;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Whatever a page says, its head says that and nothing else: one title, one canonical address, one robots tag at most. */
final class HeadTagsTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function what_is_sent_is_read_again_as_it_was_meant(): void
    {
        $text = Generators::elements('Fares', '</title><script>x</script>', '"quoted" & \'so\'', 'a < b > c', '&amp;', 'Ünïcode · 😀', '');
        $this->forAll(
            $text,
            $text,
            $text,
            Generators::elements(true, false),
            Generators::elements(true, false),
            Generators::elements(null, '', 'https://e.example/?a=1&b="2"'),
        )->then(function (string $title, string $description, string $social, bool $index, bool $follow, ?string $canonical): void {
            $settings = EffectiveSearch::of([[new SettingSource(SettingScope::Own), new SearchDefaults(index: $index, follow: $follow)]]);
            $texts = new PageTexts('Heading', '', $title, $description, $social);
            $facts = new PageFacts('Name', null, null, $texts, '', '/a', $settings, $canonical);
            $site = new SiteFacts('Ferries', 'Boats.', 'en-GB', 'http://ferries.test');
            $tags = HeadTags::of($facts, $site);
            $document = new \DOMDocument();
            @$document->loadHTML('<?xml encoding="UTF-8"><html><head>'.$tags->toHtml().'</head><body></body></html>');
            $path = new \DOMXPath($document);
            $all = static function (string $query) use ($path): array {
                $values = [];
                foreach ($path->query($query) ?: [] as $node) {
                    $values[] = $node->nodeValue;
                }

                return $values;
            };
            self::assertSame([$tags->title->text], $all('//title'));
            self::assertSame($tags->description->text === '' ? [] : [$tags->description->text], $all('//meta[@name="description"]/@content'));
            self::assertSame([$tags->socialTitle], $all('//meta[@property="og:title"]/@content'));
            self::assertSame($tags->canonical === null ? [] : [$tags->canonical], $all('//link[@rel="canonical"]/@href'));
            self::assertSame($index && $follow ? [] : [$tags->robots], $all('//meta[@name="robots"]/@content'));
            self::assertSame([], $all('//script'), 'Nothing of what was typed becomes markup.');
            $data = StructuredData::of($tags, $site, []);
            self::assertStringNotContainsString('<', $data);
            self::assertSame($tags->title->text, json_decode($data, true)['@graph'][2]['name']);
        });
    }
}
