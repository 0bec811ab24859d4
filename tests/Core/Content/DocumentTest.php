<?php

declare(strict_types=1);

namespace Tests\Core\Content;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Content\HtmlRenderer;
use Heronstem\Core\Content\InvalidDocument;
use Heronstem\Core\Content\PastedHtml;
use Heronstem\Core\Content\PlainText;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class DocumentTest extends TestCase
{
    use TestTrait;

    private const PAGE = '01J00000000000000000000001';

    private const HIDDEN = '01J00000000000000000000002';

    private const FILE = '01J00000000000000000000003';

    #[Test]
    public function a_document_renders_to_the_elements_it_names(): void
    {
        $html = $this->render([
            ['type' => 'heading', 'attrs' => ['level' => 2], 'content' => [$this->text('Boats & birds')]],
            [
                'type' => 'paragraph',
                'content' => [$this->text('bold', ['type' => 'bold'], ['type' => 'italic']), ['type' => 'hardBreak'], $this->text('<script>')],
            ],
            [
                'type' => 'bulletList',
                'content' => [['type' => 'listItem', 'content' => [['type' => 'paragraph', 'content' => [$this->text('one')]]]]],
            ],
            ['type' => 'blockquote', 'content' => [['type' => 'paragraph', 'content' => [$this->text('said')]]]],
            ['type' => 'paragraph'],
        ]);
        self::assertSame(
            '<h2 id="boats-birds">Boats &amp; birds</h2><p><strong><em>bold</em></strong><br>&lt;script&gt;</p><ul><li>one</li></ul><blockquote><p>said</p></blockquote>',
            $html,
        );
    }

    #[Test]
    public function a_link_to_a_page_follows_it_and_one_to_a_hidden_page_is_words_only(): void
    {
        $link = fn (array $attrs): array => [['type' => 'paragraph', 'content' => [$this->text('go', ['type' => 'link', 'attrs' => $attrs])]]];
        self::assertSame('<p><a href="/travel">go</a></p>', $this->render($link(['page' => self::PAGE])));
        self::assertSame('<p>go</p>', $this->render($link(['page' => self::HIDDEN])));
        self::assertSame('<p><a href="mailto:a@b.example">go</a></p>', $this->render($link(['href' => 'mailto:a@b.example'])));
        self::assertSame([self::PAGE], Document::read(['type' => 'doc', 'content' => $link(['page' => self::PAGE])])->linkedPages());
    }

    #[Test]
    public function a_link_written_as_an_address_is_turned_to_a_page_with_what_stands_at_its_end(): void
    {
        $words = fn (array $attrs): array => [
            'type' => 'doc',
            'content' => [
                [
                    'type' => 'bulletList',
                    'content' => [
                        [
                            'type' => 'listItem',
                            'content' => [
                                [
                                    'type' => 'paragraph',
                                    'content' => [$this->text('go', ['type' => 'bold'], ['type' => 'link', 'attrs' => $attrs]), $this->text('.')],
                                ],
                            ],
                        ],
                    ],
                ],
            ],
        ];
        $document = Document::read($words(['href' => '/old?from=1#top']));
        self::assertSame(['/old?from=1#top'], $document->hrefs());
        $turned = $document->withHrefsTurned(['/old?from=1#top' => self::PAGE, '/other' => self::HIDDEN]);
        self::assertSame([], $turned->hrefs());
        self::assertSame([self::PAGE], $turned->linkedPages());
        self::assertSame('<ul><li><a href="/travel?from=1#top"><strong>go</strong></a>.</li></ul>', $this->renderer()->render($turned));
        self::assertEquals($turned, Document::read($turned->toArray()));
        self::assertEquals($document, $document->withHrefsTurned(['/other' => self::HIDDEN]));
        self::assertSame(self::HIDDEN, $turned->withPagesTurned([self::PAGE => self::HIDDEN])->linkedPages()[0]);
        $this->expectException(InvalidDocument::class);
        Document::read($words(['page' => self::PAGE, 'rest' => 'javascript:alert(1)']));
    }

    #[Test]
    public function a_picture_has_its_texts_and_its_measures(): void
    {
        $html = $this->render([
            ['type' => 'picture', 'attrs' => ['file' => self::FILE, 'alt' => 'A "boat"', 'caption' => 'At sea', 'align' => 'right', 'width' => 50]],
        ]);
        self::assertStringContainsString(
            'loading="lazy"',
            $this->render(array_fill(0, 2, ['type' => 'picture', 'attrs' => ['file' => self::FILE, 'alt' => 'A boat']])),
        );
        self::assertSame(
            '<figure class="picture picture-right picture-50"><img src="/_files/x.png" alt="A &quot;boat&quot;" width="640" height="400"><figcaption>At sea</figcaption></figure>',
            $html,
        );
    }

    /** @return iterable<string, array{array<mixed>, string}> */
    public static function refused(): iterable
    {
        $paragraph = fn (mixed ...$inline): array => ['type' => 'doc', 'content' => [['type' => 'paragraph', 'content' => $inline]]];
        $linked = fn (array $attrs): array => $paragraph(['type' => 'text', 'text' => 'a', 'marks' => [['type' => 'link', 'attrs' => $attrs]]]);
        $picture = fn (array $attrs): array => ['type' => 'doc', 'content' => [['type' => 'picture', 'attrs' => $attrs]]];
        yield 'no document' => [['content' => []], 'document.type'];
        yield 'later version' => [['version' => 2, 'type' => 'doc'], 'document.version'];
        yield 'unknown block' => [['type' => 'doc', 'content' => [['type' => 'script']]], 'document.content.0.type'];
        yield 'no list' => [['type' => 'doc', 'content' => 'x'], 'document.content'];
        yield 'not an object' => [['type' => 'doc', 'content' => ['x']], 'document.content.0'];
        yield 'heading of level 1' => [
            ['type' => 'doc', 'content' => [['type' => 'heading', 'attrs' => ['level' => 1]]]],
            'document.content.0.attrs.level',
        ];
        yield 'list without items' => [
            ['type' => 'doc', 'content' => [['type' => 'bulletList', 'content' => [['type' => 'paragraph']]]]],
            'document.content.0.content.0.type',
        ];
        yield 'empty text' => [$paragraph(['type' => 'text', 'text' => '']), 'document.content.0.content.0'];
        yield 'unknown mark' => [
            $paragraph(['type' => 'text', 'text' => 'a', 'marks' => [['type' => 'blink']]]),
            'document.content.0.content.0.marks.0.type',
        ];
        yield 'script link' => [$linked(['href' => 'javascript:alert(1)']), 'document.content.0.content.0.marks.0.attrs.href'];
        yield 'protocol-relative link' => [$linked(['href' => '//evil.example']), 'document.content.0.content.0.marks.0.attrs.href'];
        yield 'link to no identity' => [$linked(['page' => '7']), 'document.content.0.content.0.marks.0.attrs.page'];
        yield 'picture without a text' => [$picture(['file' => self::FILE, 'alt' => ' ']), 'document.content.0.attrs.alt'];
        yield 'picture without a file' => [$picture(['alt' => 'a']), 'document.content.0.attrs.file'];
        yield 'odd alignment' => [$picture(['file' => self::FILE, 'alt' => 'a', 'align' => 'up']), 'document.content.0.attrs.align'];
        yield 'odd width' => [$picture(['file' => self::FILE, 'alt' => 'a', 'width' => 33]), 'document.content.0.attrs.width'];
    }

    /** @param  array<mixed>  $json */
    #[Test, DataProvider('refused')]
    public function what_does_not_fit_is_refused_at_its_place(array $json, string $field): void
    {
        try {
            Document::read($json);
            self::fail('Nothing was refused.');
        } catch (InvalidDocument $refusal) {
            self::assertSame($field, $refusal->field);
        }
    }

    #[Test]
    public function nesting_without_end_is_refused(): void
    {
        $block = ['type' => 'paragraph'];
        for ($i = 0; $i < 12; $i++) {
            $block = ['type' => 'blockquote', 'content' => [$block]];
        }
        $this->expectException(InvalidDocument::class);
        Document::read(['type' => 'doc', 'content' => [$block]]);
    }

    #[Test]
    public function reading_what_was_read_changes_nothing_and_unknown_attributes_fall_away(): void
    {
        $json = [
            'type' => 'doc',
            'content' => [
                ['type' => 'orderedList', 'attrs' => ['start' => 4, 'onclick' => 'x'], 'content' => []],
                ['type' => 'picture', 'attrs' => ['file' => self::FILE, 'decorative' => true, 'alt' => 'no']],
            ],
        ];
        $once = Document::read($json)->toArray();
        self::assertSame($once, Document::read($once)->toArray());
        self::assertArrayNotHasKey('attrs', $once['content'][0]);
        self::assertSame('', $once['content'][1]['attrs']['alt']);
    }

    /** @return iterable<string, array{string, string}> */
    public static function pasted(): iterable
    {
        yield 'headings step down' => ['<h1>A</h1><h5>B</h5>', '<h2 id="a">A</h2><h4 id="b">B</h4>'];
        yield 'styles and classes fall away' => ['<p style="color:red" class=x onclick=y()>A <span>b</span></p>', '<p>A b</p>'];
        yield 'scripts fall away' => ['<p>A</p><script>alert(1)</script><style>p{}</style>', '<p>A</p>'];
        yield 'bare text and breaks' => ["A\n b<br>c", '<p>A b<br>c</p>'];
        yield 'nested lists' => ['<ul><li>A<ol><li>B</li></ol></li></ul>', '<ul><li><p>A</p><ol><li>B</li></ol></li></ul>'];
        yield 'a table of one cell is none' => ['<table><tr><td><h2>A</h2><p>B</p></td></tr></table>', '<h2 id="a">A</h2><p>B</p>'];
        yield 'tables with heads, spans and short rows' => [
            '<table><caption>Fares</caption><thead><tr><th>To</th><th>Adult</th><th>Child</th></tr></thead><tr><th>Skerra</th><td colspan=2>£9</td></tr><tr><th>Ullin</th></tr></table>',
            '<div class="table" tabindex="0" role="group" aria-label="Fares"><table><caption>Fares</caption><thead><tr><th scope="col">To</th><th scope="col">Adult</th>'.
            '<th scope="col">Child</th></tr></thead><tbody><tr><th scope="row">Skerra</th><td>£9</td><td></td></tr><tr><th scope="row">Ullin</th><td></td><td></td></tr></tbody></table></div>',
        ];
        yield 'questions that fold' => [
            '<details><summary>Dogs?</summary>Yes.</details>',
            '<details class="fold"><summary>Dogs?</summary><p>Yes.</p></details>',
        ];
        yield 'lines, code and raised text' => [
            "<p>m<sup>2</sup></p><hr><pre>a\n  b</pre>",
            "<p>m<sup>2</sup></p><hr><pre tabindex=\"0\"><code>a\n  b</code></pre>",
        ];
        yield 'a text whole in a bold that is none' => [
            '<b style="font-weight:normal"><p>A <span style="font-weight:700">b</span></p></b>',
            '<p>A <strong>b</strong></p>',
        ];
        yield 'italics said by a style' => ['<p><span style="font-style:italic;font-weight:bold">A</span></p>', '<p><strong><em>A</em></strong></p>'];
        yield 'lists made of paragraphs' => [
            '<p style="mso-list:l0 level1 lfo1"><span style="mso-list:Ignore">·  </span>A</p><p style="mso-list:l0 level2 lfo1"><span style="mso-list:Ignore">1. </span>B</p>'.
            '<p style="mso-list:l0 level1 lfo1"><span style="mso-list:Ignore">·</span>C</p><p>D</p>',
            '<ul><li><p>A</p><ol><li>B</li></ol></li><li>C</li></ul><p>D</p>',
        ];
        yield 'an inner list beside its item' => ['<ul><li>A</li><ul><li>B</li></ul></ul>', '<ul><li><p>A</p><ul><li>B</li></ul></li></ul>'];
        yield 'pictures from elsewhere' => ['<p>A<img src="https://example.org/a.png" alt="b"></p>', '<p>A</p>'];
        yield 'marks' => ['<p><b>A</b> and <i>b</i></p>', '<p><strong>A</strong> and <em>b</em></p>'];
        yield 'own addresses become pages' => ['<p><a href="/old">A</a></p>', '<p><a href="/travel">A</a></p>'];
        yield 'script links lose their mark' => ['<p><a href="javascript:x()">A</a></p>', '<p>A</p>'];
        yield 'nothing' => ['', ''];
    }

    #[Test, DataProvider('pasted')]
    public function pasted_html_keeps_what_the_format_knows(string $html, string $rendered): void
    {
        $document = (new PastedHtml(fn (string $href): ?string => $href === '/old' ? self::PAGE : null))->read($html);
        self::assertSame($rendered, $this->renderer()->render($document));
    }

    #[Test]
    public function whatever_is_pasted_gives_a_valid_document(): void
    {
        $pieces = [
            '<p>',
            '</p>',
            '<ul>',
            '<li>',
            '</ul>',
            'text',
            '<b>',
            '</b>',
            '<a href="http://x.example">',
            '<a href=":">',
            '</a>',
            '<h3>',
            '<br>',
            '<table>',
            '<td>',
            ' ',
            '&amp;',
            '<!--',
            '-->',
            '<blockquote>',
            '<div>',
            '</div>',
            '<img src=x onerror=y>',
            '<svg/onload=z>',
        ];
        $this->limitTo(200)
            ->forAll(Generators::seq(Generators::elements($pieces)))
            ->then(function (array $parts): void {
                $document = (new PastedHtml(fn (): ?string => null))->read(implode('', $parts));
                self::assertEquals($document, Document::read($document->toArray()));
                self::assertDoesNotMatchRegularExpression(
                    '/<(?!\/?(?:p|h[234]|ul|ol|li|strong|em|a|br|blockquote)\b)/',
                    $this->renderer()->render($document),
                );
            });
    }

    #[Test]
    public function plain_text_leaves_headings_out(): void
    {
        $document = (new PastedHtml(fn (): ?string => null))->read('<h2>Head</h2><p>One <b>two</b>.</p><ul><li>three</li></ul>');
        self::assertSame("One two.\nthree", PlainText::of($document));
        self::assertFalse($document->isBlank());
        self::assertTrue(Document::blank()->isBlank());
    }

    /** @param  list<array<string, mixed>>  $blocks */
    private function render(array $blocks): string
    {
        return $this->renderer()->render(Document::read(['type' => 'doc', 'content' => $blocks]));
    }

    private function renderer(): HtmlRenderer
    {
        return new HtmlRenderer(StillSources::make());
    }

    /**
     * @param  array<string, mixed>  ...$marks
     * @return array<string, mixed>
     */
    private function text(string $text, array ...$marks): array
    {
        return ['type' => 'text', 'text' => $text] + ($marks === [] ? [] : ['marks' => $marks]);
    }

    #[Test]
    public function what_is_pasted_is_bounded_in_depth_and_elements(): void
    {
        foreach ([str_repeat('<b>', 5000).'x' => 'levels deep', str_repeat('<p>x', 10001) => 'elements'] as $html => $reason) {
            try {
                (new PastedHtml(fn (): ?string => null))->read($html);
                self::fail('It was read.');
            } catch (InvalidDocument $refused) {
                self::assertStringContainsString($reason, $refused->reason);
                self::assertSame('html', $refused->field);
            }
        }
        self::assertCount(2, (new PastedHtml(fn (): ?string => null))->read(str_repeat('<b>', 90).'x'.str_repeat('</b>', 90).'<p>y')->blocks);
    }

    #[Test]
    public function headings_and_pictures_are_found_in_reading_order_however_deep_they_lie(): void
    {
        $file = static fn (int $n): string => "01J000000000000000000000F$n";
        $picture = static fn (int $n, string $alt): array => [
            'type' => 'picture',
            'attrs' => ['file' => $file($n), 'alt' => $alt, 'decorative' => $alt === ''],
        ];
        $heading = static fn (int $level): array => [
            'type' => 'heading',
            'attrs' => ['level' => $level],
            'content' => [['type' => 'text', 'text' => 'H']],
        ];
        $document = Document::read([
            'type' => 'doc',
            'content' => [$heading(2), $picture(1, 'A boat'), $heading(4), $picture(2, ''), $picture(1, 'The boat again')],
        ]);
        self::assertSame([2, 4], $document->headingLevels());
        self::assertSame(
            [['file' => $file(1), 'alt' => 'A boat'], ['file' => $file(2), 'alt' => null], ['file' => $file(1), 'alt' => 'The boat again']],
            $document->picturesWithTexts(),
        );
        self::assertSame([$file(1), $file(2)], $document->pictures(), 'Each once.');
        self::assertSame([[], []], [Document::blank()->headingLevels(), Document::blank()->picturesWithTexts()]);
    }
}
