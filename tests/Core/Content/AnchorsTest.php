<?php

declare(strict_types=1);

namespace Tests\Core\Content;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Content\Anchors;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Content\WantedName;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Names by which links lead to a place within a page. */
final class AnchorsTest extends TestCase
{
    use TestTrait;

    /** @return iterable<string, array{string, string}> */
    public static function names(): iterable
    {
        yield 'words' => ['Where to sit?', 'where-to-sit'];
        yield 'letters of any script' => ['Öffnungszeiten · 日本', 'öffnungszeiten-日本'];
        yield 'letters put together from parts' => ["Cafe\u{301}", 'café'];
        yield 'nothing that a name could hold' => ['?!', 'part'];
        yield 'what belongs to the layout' => ['Site content', 'the-site-content'];
        yield 'the word alone' => ['Site', 'the-site'];
        yield 'a long text is cut between words' => [str_repeat('harbour ', 20), 'harbour-harbour-harbour-harbour-harbour-harbour-harbour'];
        yield 'one long word is cut anywhere' => [str_repeat('a', 100), str_repeat('a', 60)];
    }

    #[Test]
    #[DataProvider('names')]
    public function a_heading_is_called_by_what_it_says(string $text, string $name): void
    {
        self::assertSame($name, Anchors::name($text));
        self::assertTrue(Anchors::isName($name));
    }

    #[Test]
    public function any_text_gives_a_name_that_would_be_taken(): void
    {
        $this->forAll(Generators::string())->then(static function (string $text): void {
            $text = mb_scrub($text, 'UTF-8');
            self::assertTrue(Anchors::isName(Anchors::name($text)), $text);
            self::assertLessThanOrEqual(64, mb_strlen(Anchors::name($text)));
        });
    }

    #[Test]
    public function every_place_of_a_page_has_a_name_of_its_own_and_given_ones_stay(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $document = RandomDocument::of($seed);
            $names = array_column(Anchors::places($document), 'name');
            self::assertSame(array_unique($names), $names);
            $shown = [];
            foreach ($document->nodes() as $node) {
                $shown = isset($node['attrs']['anchor']) ? [...$shown, $node['attrs']['anchor']] : $shown;
            }
            self::assertSame([], array_diff($shown, $names));
            self::assertCount(
                count($document->headings()),
                array_filter(Anchors::places($document), static fn (array $place): bool => $place['level'] !== null),
            );
        });
    }

    #[Test]
    public function thousands_of_equal_headings_are_named_without_counting_anew_each_time(): void
    {
        $heading = ['type' => 'heading', 'attrs' => ['level' => 2], 'content' => [['type' => 'text', 'text' => 'Fares']]];
        $places = Anchors::places(Document::read(['type' => 'doc', 'content' => array_fill(0, 5000, $heading)]));
        self::assertSame(['fares', 'fares-2', 'fares-5000'], [$places[0]['name'], $places[1]['name'], $places[4999]['name']]);
    }

    #[Test]
    public function a_wanted_page_is_the_same_however_its_name_is_typed(): void
    {
        self::assertSame(WantedName::key('Winter fares'), WantedName::key("  winter \u{a0} FARES\n"));
        self::assertSame(WantedName::key("CAFE\u{301}"), WantedName::key('café'));
        self::assertNotSame(WantedName::key('fares'), WantedName::key('fare'));
        self::assertSame('', WantedName::key(" \t "));
        self::assertSame(WantedName::MOST, mb_strlen(WantedName::key(str_repeat('é', 500))));
    }
}
