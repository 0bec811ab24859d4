<?php

declare(strict_types=1);

namespace Tests\Core\Content;

use Heronstem\Core\Content\Document;

/** Any document of the format, by a seed: every kind of block, in each other as far as they may stand there. */
final class RandomDocument
{
    private const WORDS = [
        'boats',
        'Ögrún',
        '<b>',
        '&amp;',
        '"quay"',
        'a  b',
        '日本',
        'l’été',
        '1 < 2',
        '`x`',
        '*',
        '_',
        '| c |',
        '# h',
        '\\',
        '- - -',
        '[a](b)',
        '1) x',
        '+ y',
        '=',
        'a&copy;b',
        'https://x.example/',
        '~~s~~',
        ':-',
        '<',
        '!',
        '$1',
        "it's",
        '&#39;',
        '-->',
        '&lt;',
        "\u{a0}",
    ];

    private int $anchors = 0;

    private function __construct(private int $seed)
    {
    }

    public static function of(int $seed): Document
    {
        $random = new self($seed);

        return Document::read(['type' => 'doc', 'content' => $random->blocks($random->below(8), 0, 'page')]);
    }

    private function below(int $most): int
    {
        // A linear congruential generator (Numerical Recipes): the same on every machine, and apart from the one of the tests.
        $this->seed = ($this->seed * 1664525 + 1013904223) & 0xFFFFFFFF;

        return ($this->seed >> 8) % max(1, $most);
    }

    /**
     * @template T
     *
     * @param  non-empty-list<T>  $of
     * @return T
     */
    private function one(array $of): mixed
    {
        return $of[$this->below(count($of))];
    }

    /** @return list<array<string, mixed>> */
    private function blocks(int $count, int $depth, string $room): array
    {
        $blocks = [];
        for ($i = 0; $i < $count; $i++) {
            $blocks[] = $this->block($depth, $room);
        }

        return $blocks;
    }

    /** @return array<string, mixed> */
    private function block(int $depth, string $room): array
    {
        $small = ['paragraph', 'paragraph', 'bulletList', 'orderedList'];
        $inside = [
            ...$small,
            'heading',
            'picture',
            'divider',
            'codeBlock',
            'button',
            'gallery',
            'video',
            'pages',
            'file',
            'shared',
            'blockquote',
            'callout',
            'fold',
            'table',
        ];
        $type =
            $depth > 3
                ? 'paragraph'
                : $this->one(
                    match ($room) {
                        'cell' => $small,
                        'inside' => $inside,
                        default => [...$inside, 'columns'],
                    },
                );
        $below = fn (int $least, string $in): array => $this->blocks($least + $this->below(3), $depth + 1, $in);
        $block =
            ['type' => $type] +
            match ($type) {
                'paragraph' => ['content' => $this->line()],
                'heading' => ['attrs' => ['level' => 2 + $this->below(3)], 'content' => $this->line()],
                'bulletList', 'orderedList' => [
                    'content' => array_map(
                        fn (): array => ['type' => 'listItem', 'content' => $below(1, $room === 'cell' ? 'cell' : 'inside')],
                        range(0, $this->below(3)),
                    ),
                ],
                'blockquote' => ['content' => $below(0, 'inside')],
                'callout' => ['attrs' => ['tone' => $this->one(['note', 'tip', 'warning'])], 'content' => $below(0, 'inside')],
                'columns' => [
                    'attrs' => ['share' => $this->one(['equal', 'first', 'last'])],
                    'content' => array_map(fn (): array => ['type' => 'column', 'content' => $below(0, 'inside')], range(1, 2 + $this->below(3))),
                ],
                'fold' => [
                    'attrs' => ['open' => $this->below(2) === 0],
                    'content' => [['type' => 'foldQuestion', 'content' => $this->line()], ['type' => 'foldAnswer', 'content' => $below(0, 'inside')]],
                ],
                'table' => $this->table($depth),
                'picture' => [
                    'attrs' => $this->picture() + ['align' => $this->one(['left', 'centre', 'right']), 'width' => $this->one([25, 50, 75, 100])] +
                        $this->one([[], ['enlarge' => true], ['link' => $this->link()]]),
                ],
                'gallery' => [
                    'attrs' => ['view' => $this->one(['grid', 'slides'])] +
                        $this->one([['folder' => 'Fleet/2027'], ['pictures' => array_map($this->picture(...), range(0, $this->below(3)))]]),
                ],
                'button' => [
                    'attrs' => [
                        'text' => 'Book '.trim($this->one(self::WORDS), "\u{a0}"),
                        'look' => $this->one(['strong', 'quiet']),
                        'link' => $this->link(),
                    ],
                ],
                'video' => [
                    'attrs' => $this->one([['file' => $this->identity()], ['address' => 'https://films.example/watch/1?a=2&b'.$this->below(3)]]) + [
                        'title' => 'The "Curlew"',
                        'caption' => $this->one(['', 'At <sea>']),
                    ] +
                        $this->one([
                            [],
                            ['poster' => ['file' => $this->identity()]],
                            ['captions' => ['file' => $this->identity(), 'language' => 'en-GB']],
                        ]),
                ],
                'codeBlock' => ['content' => [['type' => 'text', 'text' => $this->one(self::WORDS)."\n  ".$this->one(self::WORDS)]]],
                'shared' => ['attrs' => ['piece' => $this->identity()]],
                'file' => ['attrs' => ['file' => $this->identity(), 'name' => $this->one(['', 'Fares & rules'])]],
                'pages' => [
                    'attrs' => ['view' => $this->one(['cards', 'list']), 'most' => 1 + $this->below(60)] +
                        $this->one([
                            ['from' => 'branch', 'branch' => ['page' => $this->identity()], 'order' => $this->one(['tree', 'newest', 'name'])],
                            [
                                'from' => 'branch',
                                'branch' => ['page' => $this->identity()],
                                'order' => 'field',
                                'field' => $this->one(['price', '-built']),
                            ],
                            ['from' => 'tag', 'tag' => $this->one(self::WORDS), 'order' => $this->one(['tree', 'newest', 'name'])],
                            ['from' => 'picks', 'picks' => 'front'],
                            ['from' => 'chosen', 'chosen' => [['page' => $this->identity()]]],
                        ]),
                ],
                default => [],
            };
        $own = array_filter([
            'hidden' => $this->below(9) === 0,
            'anchor' => $this->below(9) === 0 ? 'place-'.++$this->anchors : null,
            'style' => $this->below(9) === 0 ? 'lead' : null,
        ]);

        return $own === [] ? $block : ['attrs' => ($block['attrs'] ?? []) + $own] + $block;
    }

    /** @return array<string, mixed> */
    private function table(int $depth): array
    {
        $width = 1 + $this->below(3);

        return [
            'attrs' => ['caption' => $this->one(['', 'Fares "now"']), 'headRow' => $this->below(2) === 0, 'headColumn' => $this->below(2) === 0],
            'content' => array_map(
                fn (): array => [
                    'type' => 'tableRow',
                    'content' => array_map(
                        fn (): array => ['type' => 'tableCell', 'content' => $this->blocks(1, $depth + 1, 'cell')],
                        range(1, $width),
                    ),
                ],
                range(0, $this->below(3)),
            ),
        ];
    }

    /** @return list<array<string, mixed>> */
    private function line(): array
    {
        $pieces = [];
        for ($i = $this->below(4); $i > 0; $i--) {
            if ($this->below(8) === 0) {
                $pieces[] = ['type' => 'hardBreak'];
            }
            $marks = array_values(
                array_filter(
                    [
                        ['type' => 'bold'],
                        ['type' => 'italic'],
                        ['type' => 'code'],
                        ['type' => 'superscript'],
                        ['type' => 'style', 'attrs' => ['name' => 'marked']],
                        ['type' => 'link', 'attrs' => $this->link()],
                    ],
                    fn (): bool => $this->below(5) === 0,
                ),
            );
            $pieces[] = ['type' => 'text', 'text' => $this->one(self::WORDS)] + ($marks === [] ? [] : ['marks' => $marks]);
        }

        return $pieces;
    }

    /** @return array<string, mixed> */
    private function link(): array
    {
        return $this->one([
            ['page' => $this->identity()],
            ['page' => StillSources::PAGE, 'rest' => '?a=1&b=2#top'],
            ['href' => 'https://example.org/?q="x"&y'],
            ['href' => '#place'],
            ['file' => $this->identity(), 'title' => 'The "rules"'],
            ['wanted' => 'Winter <fares>'],
            ['href' => 'tel:+441632960123', 'newWindow' => true],
        ]);
    }

    /** @return array<string, mixed> */
    private function picture(): array
    {
        $decorative = $this->below(3) === 0;

        return [
            'file' => $this->identity(),
            'alt' => $decorative ? '' : 'A "boat"',
            'decorative' => $decorative,
            'caption' => $this->one(['', 'At <sea>']),
        ];
    }

    private function identity(): string
    {
        return sprintf('01J%023d', 1 + $this->below(4));
    }
}
