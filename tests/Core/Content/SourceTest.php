<?php

declare(strict_types=1);

namespace Tests\Core\Content;

use App\Desk\MarkdownToHtml;
use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Content\HtmlReader;
use Heronstem\Core\Content\HtmlSource;
use Heronstem\Core\Content\InvalidDocument;
use Heronstem\Core\Content\MarkdownSource;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** A document as HTML that people edit, and back. */
final class SourceTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function any_document_comes_back_from_its_html_but_for_spaces_beside_spaces(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $document = RandomDocument::of($seed);
            $html = self::source()->write($document);
            $read = self::reader()->read($html);
            self::assertSame([], $read['lost'], "$seed: $html");
            self::assertEquals(self::folded($document->blocks), self::folded($read['document']->blocks), "$seed: $html");
        });
    }

    #[Test]
    public function any_document_comes_back_from_its_markdown_but_for_spaces_beside_spaces(): void
    {
        $toHtml = new MarkdownToHtml();
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed) use ($toHtml): void {
            $document = RandomDocument::of($seed);
            $markdown = (new MarkdownSource(self::source()))->write($document);
            $read = self::reader()->read($toHtml->html($markdown));
            self::assertEquals(self::folded($document->blocks), self::folded($read['document']->blocks), "$seed: $markdown");
        });
    }

    #[Test]
    public function markdown_says_in_its_signs_what_it_has_signs_for(): void
    {
        $text = static fn (string $text, string ...$marks): array => ['type' => 'text', 'text' => $text] +
            ($marks === [] ? [] : ['marks' => array_map(static fn (string $type): array => ['type' => $type], $marks)]);
        $paragraph = static fn (array ...$content): array => ['type' => 'paragraph', 'content' => $content];
        $cell = static fn (string $said): array => ['type' => 'tableCell', 'content' => [$paragraph($text($said))]];
        $document = Document::read([
            'type' => 'doc',
            'content' => [
                ['type' => 'heading', 'attrs' => ['level' => 3], 'content' => [$text('Fares_now')]],
                $paragraph($text('2. Dogs sail '), $text('free', 'bold'), $text(' & on a '), $text('le', 'italic'), $text('ad.')),
                [
                    'type' => 'bulletList',
                    'content' => [
                        ['type' => 'listItem', 'content' => [$paragraph($text('One'))]],
                        ['type' => 'listItem', 'content' => [$paragraph($text('Two'))]],
                    ],
                ],
                [
                    'type' => 'table',
                    'attrs' => ['headRow' => true],
                    'content' => [
                        ['type' => 'tableRow', 'content' => [$cell('To'), $cell('Price')]],
                        ['type' => 'tableRow', 'content' => [$cell('Skerra'), $cell('£9')]],
                    ],
                ],
                ['type' => 'divider'],
                ['type' => 'callout', 'content' => [$paragraph($text('Note'))]],
            ],
        ]);
        self::assertSame(
            "### Fares\\_now\n\n2\\. Dogs sail **free** & on a <em>le</em>ad.\n\n- One\n- Two\n\n| To | Price |\n| --- | --- |\n| Skerra | £9 |\n\n---\n\n".
                "<div data-block=\"callout\" data-attrs='{\"tone\":\"note\"}'>\n  <p>Note</p>\n</div>\n",
            (new MarkdownSource(self::source()))->write($document),
        );
    }

    #[Test]
    public function what_only_the_format_knows_stands_in_attributes(): void
    {
        $document = Document::read([
            'type' => 'doc',
            'content' => [
                ['type' => 'heading', 'attrs' => ['level' => 2, 'anchor' => 'fares'], 'content' => [['type' => 'text', 'text' => 'Fares & rules']]],
                [
                    'type' => 'callout',
                    'attrs' => ['tone' => 'tip', 'hidden' => true],
                    'content' => [
                        [
                            'type' => 'paragraph',
                            'content' => [
                                [
                                    'type' => 'text',
                                    'text' => 'Book',
                                    'marks' => [['type' => 'link', 'attrs' => ['page' => StillSources::PAGE, 'rest' => '#now']]],
                                ],
                            ],
                        ],
                    ],
                ],
                ['type' => 'button', 'attrs' => ['text' => "Don't", 'link' => ['wanted' => 'Winter fares']]],
            ],
        ]);
        self::assertSame(
            "<h2 id=\"fares\">Fares &amp; rules</h2>\n".
                "<div data-block=\"callout\" data-attrs='{\"tone\":\"tip\"}' data-hidden>\n  <p><a href=\"/travel#now\">Book</a></p>\n</div>\n".
                "<div data-block=\"button\" data-attrs='{\"text\":\"Don&#39;t\",\"look\":\"strong\",\"link\":{\"wanted\":\"Winter fares\"}}'></div>\n",
            self::source()->write($document),
        );
    }

    #[Test]
    public function what_the_format_cannot_hold_is_said(): void
    {
        $read = self::reader()->read(
            '<h1>A</h1><p style="color:red" onclick="x">B <font>c</font></p><script>d()</script><!-- e --><p style="x">F</p>',
        );
        self::assertSame(
            [
                '<h1>, which becomes <h2>',
                'the attribute style of <p> (2 times)',
                'the attribute onclick of <p>',
                '<font>, of which the text stays',
                '<script> with what is in it',
                'a comment',
            ],
            $read['lost'],
        );
        self::assertSame(['heading', 'paragraph', 'paragraph'], array_column($read['document']->blocks, 'type'));
        self::assertStringNotContainsString('d()', (string) json_encode($read['document']->toArray()));
    }

    #[Test]
    public function attributes_that_do_not_fit_are_refused_with_their_place(): void
    {
        try {
            self::reader()->read('<p>A</p><div data-block="pages" data-attrs=\'{"from":"nowhere"}\'></div>');
            self::fail('It was taken.');
        } catch (InvalidDocument $refused) {
            self::assertSame('document.content.1.attrs.from', $refused->field);
        }
    }

    private static function source(): HtmlSource
    {
        return new HtmlSource(static fn (string $page): ?string => $page === StillSources::PAGE ? '/travel' : null);
    }

    private static function reader(): HtmlReader
    {
        return new HtmlReader(
            static fn (string $href): ?string => preg_match('#^/travel(?:[?\#]|$)#', $href) === 1 ? StillSources::PAGE : null,
            static fn (): ?string => null,
        );
    }

    /**
     * @param  list<array<string, mixed>>  $blocks
     * @return list<array<string, mixed>>
     */
    private static function folded(array $blocks): array
    {
        foreach ($blocks as $i => $block) {
            if ($block['type'] !== 'codeBlock' && isset($block['content'])) {
                $isLine = in_array($block['type'], ['paragraph', 'heading', 'foldQuestion'], true);
                $blocks[$i]['content'] = $isLine ? self::line($block['content']) : self::folded($block['content']);
            }
        }

        return $blocks;
    }

    /**
     * @param  list<array<string, mixed>>  $pieces
     * @return list<array<string, mixed>>
     */
    private static function line(array $pieces): array
    {
        $folded = array_map(
            static fn (array $piece): array => isset($piece['text']) ? ['text' => preg_replace('/ +/', ' ', $piece['text'])] + $piece : $piece,
            $pieces,
        );

        return \Heronstem\Core\Content\HtmlLine::trimmed(array_values($folded), true);
    }
}
