<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

use Heronstem\Core\OneLine;

/** A table of HTML as one of the format: spanned cells are taken apart, short rows filled up, so that all are of equal length. */
final readonly class HtmlTable
{
    /** Most columns and cells that are read; a table with more gives its texts. */
    private const MAX_COLUMNS = 50;

    private const MAX_CELLS = 5_000;

    public function __construct(private HtmlBlocks $within, private bool $isSource)
    {
    }

    /** @return list<array<string, mixed>> */
    public function blocks(\DOMElement $table): array
    {
        $caption = '';
        $rows = [];
        $this->gather($table, $rows, $caption);
        [$grid, $width] = $this->grid($rows);
        if (
            $width === 0 ||
            $width > self::MAX_COLUMNS ||
            $width * count($grid) > self::MAX_CELLS ||
            (! $this->isSource && $this->isForLayout($grid, $width))
        ) {
            return array_merge([], ...array_map(fn (\DOMElement $row): array => $this->within->of($row), $rows));
        }
        $isHead = fn (int $row, int $column): bool => ($grid[$row][$column] ?? null)?->localName === 'th';
        $first = range(0, $width - 1);

        return [
            [
                'type' => 'table',
                'attrs' => [
                    'caption' => $caption,
                    'headRow' => $this->isSource
                        ? $table->hasAttribute('data-head-row') || $table->getElementsByTagName('thead')->length > 0
                        : array_filter($first, static fn (int $column): bool => $isHead(0, $column)) !== [] && ($width === 1 || $isHead(0, 1)),
                    'headColumn' => $this->isSource ? $table->hasAttribute('data-head-column') : count($grid) > 1 && $width > 1 && $isHead(1, 0),
                ],
                'content' => array_map(fn (array $row): array => $this->row($row, $width), $grid),
            ],
        ];
    }

    /**
     * @param  list<\DOMElement>  $rows
     */
    private function gather(\DOMElement $element, array &$rows, string &$caption): void
    {
        foreach ($element->childNodes as $child) {
            if (! ($child instanceof \DOMElement)) {
                continue;
            }
            if ($child->localName === 'caption') {
                $caption = OneLine::of($child->textContent);
            } elseif ($child->localName === 'tr') {
                $rows[] = $child;
            } elseif (in_array($child->localName, ['thead', 'tbody', 'tfoot'], true)) {
                $this->gather($child, $rows, $caption);
            }
        }
    }

    /**
     * @param  list<\DOMElement>  $rows
     * @return array{list<array<int, \DOMElement>>, int} cells by row and column, and the number of columns
     */
    private function grid(array $rows): array
    {
        $width = 0;
        $grid = [];
        foreach ($rows as $row) {
            $cells = [];
            $column = 0;
            foreach ($row->childNodes as $cell) {
                if ($cell instanceof \DOMElement && in_array($cell->localName, ['td', 'th'], true)) {
                    $cells[$column] = $cell;
                    $column += max(1, min(self::MAX_COLUMNS, (int) $cell->getAttribute('colspan')));
                }
            }
            $width = max($width, $column);
            if ($cells !== []) {
                $grid[] = $cells;
            }
        }

        return [$grid, $width];
    }

    /**
     * One cell with everything in it is no table: mails and old pages are made of those.
     *
     * @param  list<array<int, \DOMElement>>  $grid
     */
    private function isForLayout(array $grid, int $width): bool
    {
        return count($grid) === 1 && $width === 1;
    }

    /**
     * @param  array<int, \DOMElement>  $cells
     * @return array<string, mixed>
     */
    private function row(array $cells, int $width): array
    {
        $row = [];
        for ($column = 0; $column < $width; $column++) {
            $row[] = ['type' => 'tableCell', 'content' => isset($cells[$column]) ? self::small($this->within->of($cells[$column])) : []];
        }

        return ['type' => 'tableRow', 'content' => $row];
    }

    /**
     * What a cell holds: paragraphs and lists; of everything else its lines.
     *
     * @param  list<array<string, mixed>>  $blocks
     * @return list<array<string, mixed>>
     */
    private static function small(array $blocks): array
    {
        $small = [];
        foreach ($blocks as $block) {
            array_push(
                $small,
                ...match ($block['type']) {
                    'paragraph', 'bulletList', 'orderedList' => [$block],
                    'heading', 'codeBlock', 'foldQuestion' => [['type' => 'paragraph', 'content' => $block['content']]],
                    default => self::small($block['content'] ?? []),
                },
            );
        }

        return $small;
    }
}
