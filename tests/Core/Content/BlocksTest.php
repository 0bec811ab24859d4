<?php

declare(strict_types=1);

namespace Tests\Core\Content;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Content\HtmlRenderer;
use Heronstem\Core\Content\InvalidDocument;
use Heronstem\Core\Content\PlainText;
use Masterminds\HTML5;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class BlocksTest extends TestCase
{
    use TestTrait;

    private const FILE = '01J00000000000000000000003';

    #[Test]
    public function any_document_reads_back_the_same_and_renders_to_elements_that_nest(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $document = RandomDocument::of($seed);
            self::assertEquals($document, Document::read($document->toArray()));
            self::assertEquals($document, Document::read(json_decode((string) json_encode($document->toArray()), true)));
            $html = self::render($document);
            $parser = new HTML5(['disable_html_ns' => true]);
            $read = $parser->loadHTMLFragment($html);
            self::assertSame([], $parser->getErrors(), "$seed: $html");
            // What a parser makes of it is what was written: no element was closed, moved or left out on the way.
            self::assertSame(self::started($html), self::elements($read), (string) $seed);
            self::assertSame(array_unique(self::ids($html)), self::ids($html), (string) $seed);
        });
    }

    #[Test]
    public function blocks_stand_beside_each_other_in_two_to_four_columns(): void
    {
        $column = ['type' => 'column', 'content' => [self::paragraph('One')]];
        self::assertSame(
            '<div class="columns columns-2 columns-first"><div><p>One</p></div><div><p>One</p></div></div>',
            self::html(['type' => 'columns', 'attrs' => ['share' => 'first'], 'content' => [$column, $column]]),
        );
        $this->expectExceptionMessage('two to four columns');
        self::html(['type' => 'columns', 'content' => [$column]]);
    }

    #[Test]
    public function the_head_of_a_table_is_said_of_the_whole(): void
    {
        $cell = static fn (string $text): array => ['type' => 'tableCell', 'content' => [self::paragraph($text)]];
        $table = [
            'type' => 'table',
            'attrs' => ['caption' => 'Fares', 'headRow' => true, 'headColumn' => true],
            'content' => [
                ['type' => 'tableRow', 'content' => [$cell(''), $cell('Adult')]],
                ['type' => 'tableRow', 'content' => [$cell('Skerra'), $cell('£9')]],
            ],
        ];
        self::assertSame(
            '<div class="table" tabindex="0" role="group" aria-label="Fares"><table><caption>Fares</caption>'.
                '<thead><tr><td></td><th scope="col">Adult</th></tr></thead><tbody><tr><th scope="row">Skerra</th><td>£9</td></tr></tbody></table></div>',
            self::html($table),
        );
        self::assertSame("Adult\nSkerra\n£9", PlainText::of(self::document($table)));
    }

    #[Test]
    public function an_answer_folds_only_where_there_is_a_question(): void
    {
        $fold = static fn (string $question): array => [
            'type' => 'fold',
            'content' => [
                ['type' => 'foldQuestion', 'content' => $question === '' ? [] : [self::text($question)]],
                ['type' => 'foldAnswer', 'content' => [self::paragraph('Yes.')]],
            ],
        ];
        self::assertSame('<details class="fold"><summary>Dogs?</summary><p>Yes.</p></details>', self::html($fold('Dogs?')));
        self::assertSame('<div><p>Yes.</p></div>', self::html($fold('')));
    }

    #[Test]
    public function a_hidden_block_is_in_nothing_that_visitors_get(): void
    {
        $link = [self::text('go', ['type' => 'link', 'attrs' => ['page' => StillSources::PAGE]])];
        $document = self::document(
            [
                'type' => 'callout',
                'attrs' => ['hidden' => true],
                'content' => [
                    ['type' => 'paragraph', 'content' => $link],
                    ['type' => 'picture', 'attrs' => ['file' => self::FILE, 'alt' => 'A boat']],
                    ['type' => 'heading', 'attrs' => ['level' => 2], 'content' => [self::text('Hidden')]],
                ],
            ],
            self::paragraph('Seen'),
        );
        self::assertSame('<p>Seen</p>', self::render($document));
        self::assertSame('Seen', PlainText::of($document));
        self::assertSame([[], [], []], [$document->linkedPages(), $document->pictures(), $document->headings()]);
        self::assertSame([self::FILE], $document->files(), 'A file is in use by what may be shown again.');
    }

    #[Test]
    public function a_link_to_a_page_that_is_wanted_is_text_until_the_page_is_made(): void
    {
        $document = self::document(
            [
                'type' => 'paragraph',
                'content' => [self::text('winter fares', ['type' => 'link', 'attrs' => ['wanted' => 'Winter fares', 'title' => 'Soon']])],
            ],
            ['type' => 'button', 'attrs' => ['text' => 'Fares', 'link' => ['wanted' => 'Winter fares']]],
        );
        self::assertSame('<p>winter fares</p>', self::render($document));
        self::assertSame(['Winter fares'], $document->wanted());
        $made = $document->withWantedMade('Winter fares', StillSources::PAGE);
        self::assertSame([], $made->wanted());
        self::assertSame(
            '<p><a href="/travel" title="Soon">winter fares</a></p><p class="button button-strong"><a href="/travel">Fares</a></p>',
            self::render($made),
        );
        self::assertEquals($made, Document::read($made->toArray()));
    }

    #[Test]
    public function a_link_goes_around_all_that_it_covers(): void
    {
        $link = ['type' => 'link', 'attrs' => ['href' => '/a']];
        self::assertSame(
            '<p><a href="/a">see <strong>this</strong></a> <a href="/b">that</a></p>',
            self::html([
                'type' => 'paragraph',
                'content' => [
                    self::text('see ', $link),
                    self::text('this', ['type' => 'bold'], $link),
                    self::text(' '),
                    self::text('that', ['type' => 'link', 'attrs' => ['href' => '/b']]),
                ],
            ]),
        );
    }

    #[Test]
    public function headings_can_be_linked_to_by_what_they_say_and_blocks_by_the_name_they_were_given(): void
    {
        $heading = static fn (string $text, array $attrs = []): array => [
            'type' => 'heading',
            'attrs' => ['level' => 2] + $attrs,
            'content' => [self::text($text)],
        ];
        self::assertSame(
            '<h2 id="getting-there">Getting there!</h2><h2 id="getting-there-2">Getting there</h2><h2 id="over-here">Getting there</h2>'.
                '<h2 id="the-site-content">Site content</h2><p id="fares-2">x</p><h2 id="fares">Fares</h2><h2 id="fares-3">Fares</h2>',
            self::render(
                self::document(
                    $heading('Getting there!'),
                    $heading('Getting there'),
                    $heading('Getting there', ['anchor' => 'over-here']),
                    $heading('Site content'),
                    ['type' => 'paragraph', 'attrs' => ['anchor' => 'fares-2'], 'content' => [self::text('x')]],
                    $heading('Fares'),
                    $heading('Fares'),
                ),
            ),
        );
    }

    #[Test]
    public function pages_files_and_pictures_are_shown_with_what_is_known_of_them(): void
    {
        self::assertSame(
            '<ul class="page-list"><li><a href="/islands/skerra">Skerra &amp; co</a> <span>Cliffs.</span></li></ul>',
            self::html(['type' => 'pages', 'attrs' => ['from' => 'picks', 'picks' => 'front', 'view' => 'list', 'most' => 1]]),
        );
        self::assertSame(
            '<p class="file"><a href="/_files/x.pdf" download>x.pdf</a> <small>PDF, 1.2 MB</small></p>',
            self::html(['type' => 'file', 'attrs' => ['file' => self::FILE]]),
        );
        self::assertStringContainsString(
            '<div class="gallery gallery-slides" tabindex="0" role="group" aria-label="Pictures"><ul><li><figure><a class="enlarge" href="/_files/x.png"><img src="/_files/x.png" alt="A boat"',
            self::html(['type' => 'gallery', 'attrs' => ['view' => 'slides', 'pictures' => [['file' => self::FILE, 'alt' => 'A boat']]]]),
        );
    }

    #[Test]
    public function a_click_on_a_picture_shows_it_larger_or_leads_somewhere(): void
    {
        $picture = static fn (array $attrs): string => self::html([
            'type' => 'picture',
            'attrs' => ['file' => self::FILE, 'alt' => 'A boat', 'width' => 50] + $attrs,
        ]);
        $image = '<img src="/_files/x.png" alt="A boat" width="640" height="400">';
        self::assertSame("<figure class=\"picture picture-centre picture-50\">$image</figure>", $picture([]));
        self::assertStringContainsString("<a class=\"enlarge\" href=\"/_files/x.png\">$image</a>", $picture(['enlarge' => true]));
        self::assertStringContainsString("<a href=\"/travel\">$image</a>", $picture(['link' => ['page' => StillSources::PAGE]]));
        self::assertStringContainsString(
            ">$image</figure>",
            $picture(['link' => ['page' => self::FILE]]),
            'To a page that visitors cannot see it leads nowhere.',
        );
        self::assertStringContainsString(
            'aria-label="Larger picture"',
            self::html(['type' => 'picture', 'attrs' => ['file' => self::FILE, 'decorative' => true, 'enlarge' => true]]),
        );
    }

    #[Test]
    public function a_link_says_what_it_was_told_to_say(): void
    {
        $linked = static fn (array $attrs): string => self::html([
            'type' => 'paragraph',
            'content' => [self::text('go', ['type' => 'link', 'attrs' => $attrs])],
        ]);
        self::assertSame(
            '<p><a href="/_files/x.pdf" title="The &quot;rules&quot;">go</a></p>',
            $linked(['file' => self::FILE, 'title' => 'The "rules"']),
        );
        self::assertSame('<p><a href="tel:+441632960123">go</a></p>', $linked(['href' => 'tel:+441632960123']));
        self::assertSame(
            '<p><a href="https://e.example/" target="_blank" rel="noopener">go</a></p>',
            $linked(['href' => 'https://e.example/', 'newWindow' => true]),
        );
        self::assertSame('<p><a href="/made">go</a></p>', $linked(['wanted' => 'Made since']));
        self::assertSame('<p>go</p>', $linked(['wanted' => 'Not yet']));
    }

    #[Test]
    public function text_is_marked_each_way_once_and_in_one_order(): void
    {
        $marks = [
            ['type' => 'code'],
            ['type' => 'bold'],
            ['type' => 'bold'],
            ['type' => 'style', 'attrs' => ['name' => 'marked']],
            ['type' => 'superscript'],
        ];
        self::assertSame(
            '<p><span class="style-marked"><strong><sup><code>2</code></sup></strong></span></p>',
            self::html(['type' => 'paragraph', 'content' => [self::text('2', ...$marks)]]),
        );
        $document = self::document([
            'type' => 'paragraph',
            'content' => [self::text('a', ['type' => 'bold']), self::text('b', ['type' => 'bold']), self::text('c')],
        ]);
        self::assertSame(['ab', 'c'], array_column($document->blocks[0]['content'], 'text'), 'What is marked alike is one piece.');
    }

    #[Test]
    public function a_copy_names_the_pages_of_the_copy_wherever_pages_are_named(): void
    {
        $link = ['page' => self::FILE, 'rest' => '#top'];
        $document = self::document(
            ['type' => 'paragraph', 'content' => [self::text('go', ['type' => 'link', 'attrs' => $link])]],
            ['type' => 'button', 'attrs' => ['text' => 'Go', 'link' => $link]],
            ['type' => 'picture', 'attrs' => ['file' => self::FILE, 'alt' => 'A', 'link' => $link]],
            ['type' => 'pages', 'attrs' => ['from' => 'branch', 'branch' => ['page' => self::FILE]]],
            ['type' => 'pages', 'attrs' => ['from' => 'chosen', 'chosen' => [['page' => self::FILE]]]],
        );
        $turned = (string) json_encode($document->withPagesTurned([self::FILE => StillSources::PAGE])->toArray());
        self::assertSame(5, substr_count($turned, '"page":"'.StillSources::PAGE.'"'));
        self::assertSame(1, substr_count($turned, '"file":"'.self::FILE.'"'), 'A file of the same name is another thing.');
        self::assertSame([self::FILE], $document->linkedPages());
    }

    #[Test]
    public function a_page_that_only_shows_something_is_not_blank(): void
    {
        $blank = [
            ['type' => 'paragraph', 'content' => []],
            ['type' => 'divider'],
            ['type' => 'columns', 'content' => [['type' => 'column', 'content' => []], ['type' => 'column', 'content' => []]]],
        ];
        self::assertTrue(self::document(...$blank)->isBlank());
        foreach (
            [
                ['type' => 'gallery', 'attrs' => ['pictures' => [['file' => self::FILE, 'alt' => 'A']]]],
                ['type' => 'file', 'attrs' => ['file' => self::FILE]],
            ] as $shows
        ) {
            self::assertFalse(self::document(...$blank, ...[$shows])->isBlank());
            self::assertTrue(self::document(...$blank, ...[['attrs' => $shows['attrs'] + ['hidden' => true]] + $shows])->isBlank());
        }
    }

    #[Test]
    public function lists_and_quotes_go_only_so_deep_and_pages_only_so_far(): void
    {
        $deep = self::paragraph('x');
        for ($i = 0; $i < 11; $i++) {
            $deep = ['type' => 'blockquote', 'content' => [$deep]];
        }
        foreach ([[$deep], array_fill(0, 10_001, ['type' => 'divider'])] as $blocks) {
            try {
                self::document(...$blocks);
                self::fail('It was taken.');
            } catch (InvalidDocument $refused) {
                self::assertMatchesRegularExpression('/levels deep|10,000 blocks/', $refused->reason);
            }
        }
    }

    #[Test]
    public function a_film_is_fetched_when_it_is_played_and_says_what_it_shows(): void
    {
        $film = [
            'file' => self::FILE,
            'title' => 'The Curlew leaves',
            'poster' => ['file' => self::FILE],
            'captions' => ['file' => self::FILE, 'language' => 'en-GB'],
        ];
        self::assertSame(
            '<figure class="video"><video controls preload="none" src="/_files/x.pdf" title="The Curlew leaves" poster="/_files/x.png" width="640" height="400">'.
                '<track kind="captions" src="/_files/x.pdf" srclang="en-GB" default><a href="/_files/x.pdf">The Curlew leaves</a></video></figure>',
            self::html(['type' => 'video', 'attrs' => $film]),
        );
        self::assertSame([self::FILE], self::document(['type' => 'video', 'attrs' => $film])->files());
    }

    /** @return iterable<string, array{array<mixed>, string}> */
    public static function refused(): iterable
    {
        $cell = ['type' => 'tableCell', 'content' => []];
        yield 'an unknown block' => [['type' => 'script'], 'document.content.0.type'];
        yield 'a type that is no text' => [['type' => ['heading']], 'document.content.0.type'];
        yield 'rows of unlike length' => [
            ['type' => 'table', 'content' => [['type' => 'tableRow', 'content' => [$cell, $cell]], ['type' => 'tableRow', 'content' => [$cell]]]],
            'document.content.0.attrs.rows.1',
        ];
        yield 'a heading in a cell' => [
            [
                'type' => 'table',
                'content' => [
                    ['type' => 'tableRow', 'content' => [['type' => 'tableCell', 'content' => [['type' => 'heading', 'attrs' => ['level' => 2]]]]]],
                ],
            ],
            'document.content.0.content.0.content.0.content.0.type',
        ];
        yield 'columns in a quote' => [['type' => 'blockquote', 'content' => [['type' => 'columns']]], 'document.content.0.content.0.type'];
        yield 'an answer without question' => [['type' => 'fold', 'content' => [['type' => 'foldAnswer']]], 'document.content.0.content'];
        yield 'a button that says nothing' => [
            ['type' => 'button', 'attrs' => ['text' => ' ', 'link' => ['href' => '/a']]],
            'document.content.0.attrs.text',
        ];
        yield 'a button that runs a script' => [
            ['type' => 'button', 'attrs' => ['text' => 'a', 'link' => ['href' => 'javascript:x']]],
            'document.content.0.attrs.link.href',
        ];
        yield 'a film without a title' => [['type' => 'video', 'attrs' => ['file' => self::FILE]], 'document.content.0.attrs.title'];
        yield 'captions in no language' => [
            ['type' => 'video', 'attrs' => ['file' => self::FILE, 'title' => 'T', 'captions' => ['file' => self::FILE, 'language' => 'en" x']]],
            'document.content.0.attrs.captions.language',
        ];
        yield 'an empty gallery' => [['type' => 'gallery', 'attrs' => ['pictures' => []]], 'document.content.0.attrs.pictures'];
        yield 'a style that leaves its attribute' => [
            ['type' => 'paragraph', 'attrs' => ['style' => 'a" onclick="x']],
            'document.content.0.attrs.style',
        ];
        yield 'a name of the layout' => [['type' => 'paragraph', 'attrs' => ['anchor' => 'site-content']], 'document.content.0.attrs.anchor'];
        yield 'a list of too many' => [
            ['type' => 'pages', 'attrs' => ['from' => 'picks', 'picks' => 'front', 'most' => 61]],
            'document.content.0.attrs.most',
        ];
        yield 'attributes that are a list of lists' => [
            ['type' => 'pages', 'attrs' => ['from' => 'chosen', 'chosen' => [[['page']]]]],
            'document.content.0.attrs.chosen.0.page',
        ];
    }

    /** @param  array<mixed>  $block */
    #[Test]
    #[DataProvider('refused')]
    public function what_does_not_fit_is_refused_with_its_place(array $block, string $field): void
    {
        try {
            self::document($block);
            self::fail('It was taken.');
        } catch (InvalidDocument $refused) {
            self::assertSame($field, $refused->field);
        }
    }

    #[Test]
    public function two_blocks_of_one_name_are_refused(): void
    {
        $named = ['type' => 'paragraph', 'attrs' => ['anchor' => 'here'], 'content' => []];
        $this->expectExceptionMessage('Two blocks of this page are called "here"');
        self::document($named, $named);
    }

    /** @return list<string> */
    private static function started(string $html): array
    {
        preg_match_all('#<([a-z][a-z0-9]*)#', $html, $found);

        return $found[1];
    }

    /** @return list<string> */
    private static function elements(\DOMNode $node): array
    {
        $names = [];
        foreach ($node->childNodes as $child) {
            if ($child instanceof \DOMElement) {
                $names = [...$names, (string) $child->localName, ...self::elements($child)];
            }
        }

        return $names;
    }

    /** @return list<string> */
    private static function ids(string $html): array
    {
        preg_match_all('# id="([^"]*)"#', $html, $found);

        return $found[1];
    }

    /** @param  array<mixed>  $block */
    private static function html(array $block): string
    {
        return self::render(self::document($block));
    }

    private static function render(Document $document): string
    {
        return (new HtmlRenderer(StillSources::make()))->render($document);
    }

    /** @param  array<mixed>  ...$blocks */
    private static function document(array ...$blocks): Document
    {
        return Document::read(['type' => 'doc', 'content' => $blocks]);
    }

    /** @return array<string, mixed> */
    private static function paragraph(string $text): array
    {
        return ['type' => 'paragraph', 'content' => $text === '' ? [] : [self::text($text)]];
    }

    /**
     * @param  array<string, mixed>  ...$marks
     * @return array<string, mixed>
     */
    private static function text(string $text, array ...$marks): array
    {
        return ['type' => 'text', 'text' => $text] + ($marks === [] ? [] : ['marks' => $marks]);
    }
}
