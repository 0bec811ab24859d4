<?php

declare(strict_types=1);

namespace Tests\Core\Audit;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Audit\ContentNote;
use Heronstem\Core\Audit\ContentNotes;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Content\RandomDocument;

final class ContentNotesTest extends TestCase
{
    use TestTrait;

    /** @return iterable<string, array{list<array<string, mixed>>, list<array{string, list<int>}>, 2?: string}> */
    public static function contents(): iterable
    {
        $link = static fn (string ...$texts): array => [
            'type' => 'paragraph',
            'content' => array_map(
                static fn (string $text, int $i): array => [
                    'type' => 'text',
                    'text' => $text,
                    'marks' => [['type' => 'link', 'attrs' => ['href' => '/a']], ...$i > 0 ? [['type' => 'bold']] : []],
                ],
                $texts,
                array_keys($texts),
            ),
        ];
        $heading = static fn (int $level, string $text = 'H'): array => [
            'type' => 'heading',
            'attrs' => ['level' => $level],
            'content' => $text === '' ? [] : [['type' => 'text', 'text' => $text]],
        ];
        $table = static fn (array $attrs): array => [
            'type' => 'table',
            'attrs' => $attrs,
            'content' => array_fill(0, 2, [
                'type' => 'tableRow',
                'content' => [['type' => 'tableCell', 'content' => [['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => 'x']]]]]],
            ]),
        ];
        yield 'headings in order' => [[$heading(2), $heading(3), $heading(4), $heading(2)], []];
        yield 'a level left out, in a column too' => [
            [
                $heading(2),
                ['type' => 'columns', 'content' => [['type' => 'column', 'content' => [$heading(4)]], ['type' => 'column', 'content' => []]]],
            ],
            [['heading-order', [1, 0, 0]]],
        ];
        yield 'a heading that says nothing' => [[$heading(2, ' ')], [['heading-blank', [0]]]];
        yield 'a link that does not say where it leads' => [[$link('Click here!')], [['link-vague', [0]]]];
        yield 'one that is read whole' => [[$link('more ', 'about dogs')], []];
        yield 'two links apart' => [
            [['type' => 'paragraph', 'content' => [...$link('Fares')['content'], ['type' => 'text', 'text' => ' or '], ...$link('here')['content']]]],
            [['link-vague', [0]]],
        ];
        yield 'in another language' => [[$link('hier klicken')], [['link-vague', [0]]], 'de-CH'];
        yield 'in a language without a list' => [[$link('click here')], [['link-vague', [0]]], 'gd'];
        yield 'a button likewise' => [[['type' => 'button', 'attrs' => ['text' => 'More']]], [['link-vague', [0]]]];
        yield 'pictures without a text' => [
            [
                ['type' => 'picture', 'attrs' => ['alt' => ' ']],
                ['type' => 'picture', 'attrs' => ['alt' => '', 'decorative' => true]],
                ['type' => 'gallery', 'attrs' => ['pictures' => [['alt' => 'A boat'], ['alt' => '']]]],
            ],
            [['picture-without-text', [0]], ['picture-without-text', [2]]],
        ];
        yield 'a table without a head' => [[$table([])], [['table-without-head', [0]]]];
        yield 'a table with one' => [[$table(['headColumn' => true])], []];
        yield 'a very long sentence' => [
            [
                [
                    'type' => 'bulletList',
                    'content' => [
                        [
                            'type' => 'listItem',
                            'content' => [
                                ['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => 'Short. '.str_repeat('word ', 41).'end.']]],
                            ],
                        ],
                    ],
                ],
            ],
            [['sentence-long', [0, 0, 0]]],
        ];
        yield 'what is hidden is nobody\'s to read' => [[['type' => 'paragraph', 'attrs' => ['hidden' => true]] + $link('here')], []];
    }

    /**
     * @param  list<array<string, mixed>>  $blocks
     * @param  list<array{string, list<int>}>  $expected
     */
    #[Test]
    #[DataProvider('contents')]
    public function a_writer_is_told_what_may_be_mended_and_where(array $blocks, array $expected, string $language = 'en-GB'): void
    {
        self::assertSame(
            $expected,
            array_map(static fn (ContentNote $note): array => [$note->code, $note->path], ContentNotes::on($blocks, $language)),
        );
    }

    #[Test]
    public function a_note_names_a_block_that_is_there_whatever_the_content(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $blocks = RandomDocument::of($seed)->blocks;
            foreach (ContentNotes::on($blocks, 'en') as $note) {
                $at = ['content' => $blocks];
                foreach ($note->path as $i) {
                    self::assertArrayHasKey($i, $at['content'] ?? [], "$seed: {$note->text}");
                    $at = $at['content'][$i];
                }
                self::assertArrayHasKey('type', $at);
            }
            self::assertLessThanOrEqual(100, count(ContentNotes::on($blocks, 'en')));
        });
    }
}
