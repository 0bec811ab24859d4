<?php

declare(strict_types=1);

namespace Tests\Core\Search;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Search\Placeholders;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Words in braces: which there are, and what stands in their place. */
final class PlaceholdersTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function are_words_in_braces_that_no_pattern_of_titles_fills_by_itself(): void
    {
        self::assertSame(
            ['island', 'first day', 'Hafen-2'],
            Placeholders::of('{island} and {Island}', '{name} {site}', '{first day} { no } {} {a.b} {<b>}', '{Hafen-2} {'),
        );
    }

    #[Test]
    public function everything_that_people_read_is_filled_and_nothing_that_leads_somewhere(): void
    {
        $link = ['type' => 'link', 'attrs' => ['href' => 'https://x.example/{to}', 'page' => null]];
        $content = Document::kept(['content' => [['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => '{to}', 'marks' => [$link]]]]]]);
        $filled = json_encode(
            Placeholders::with(['TO' => 'Ullin'])
                ->document($content)
                ->toArray(),
            JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES,
        );

        self::assertStringContainsString('"text":"Ullin"', $filled);
        self::assertStringContainsString('https://x.example/{to}', $filled);
    }

    #[Test]
    public function whatever_is_filled_in_is_not_filled_again_and_what_nobody_said_stays(): void
    {
        $this->limitTo(300)
            ->forAll(Generators::string(), Generators::string(), Generators::string())
            ->then(function (string $before, string $word, string $after): void {
                $text = str_replace(['{', '}'], '', $before).'{to}'.str_replace(['{', '}'], '', $after).'{from}';
                $typed = trim((string) preg_replace('/\s+/', ' ', $word));
                $filled = Placeholders::with(['to' => '{from}', 'x' => $word])->fill($text);
                self::assertSame(str_replace('{to}', '{from}', $text), $filled);
                self::assertSame($text, Placeholders::with(['to' => ' ', 'elsewhere' => $typed])->fill($text));
            });
    }
}
