<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Block;

use Heronstem\Core\Content\HtmlWriter;

/** A table of rows of equal length. Its head is said of the whole, so that no cell can be a head by mistake. */
final readonly class Table implements BlockKind
{
    /** Most cells of a table: more than that is a file to download. */
    private const MAX_CELLS = 5_000;

    private const MAX_COLUMNS = 50;

    public function type(): string
    {
        return 'table';
    }

    public function fits(Room $room): bool
    {
        return $room !== Room::Cell;
    }

    public function read(ReadNode $node): array
    {
        $attributes = $node->attributes();
        $rows = $node->parts('tableRow', self::row(...), 'A table holds rows.', 1, self::MAX_CELLS);
        $width = count($rows[0]['content']);
        foreach ($rows as $i => $row) {
            if (count($row['content']) !== $width) {
                $has = sprintf('Row %d of the table has %d cells and the first has %d', $i + 1, count($row['content']), $width);
                throw $attributes->refusal("rows.$i", "$has: give every row as many.");
            }
        }
        if ($width * count($rows) > self::MAX_CELLS) {
            throw $attributes->refusal(
                'rows',
                sprintf('A table has at most %s cells; offer more than that as a file.', number_format(self::MAX_CELLS)),
            );
        }

        return [
            'attrs' => [
                'caption' => $attributes->line('caption'),
                'headRow' => $attributes->flag('headRow'),
                'headColumn' => $attributes->flag('headColumn'),
            ],
            'content' => $rows,
        ];
    }

    public function html(array $block, OwnAttributes $own, HtmlWriter $to): string
    {
        ['caption' => $caption, 'headRow' => $headRow, 'headColumn' => $headColumn] = $block['attrs'];
        $rows = [];
        foreach ($block['content'] as $row) {
            $rows[] = self::rowHtml($row['content'], $headRow && $rows === [], $headColumn, $to);
        }
        $head = $headRow ? '<thead>'.array_shift($rows).'</thead>' : '';

        // A wide table scrolls by itself, by keyboard too, so that the page does not.
        return sprintf(
            '<div%s tabindex="0" role="group" aria-label="%s"><table>%s%s<tbody>%s</tbody></table></div>',
            $own->with('table'),
            HtmlWriter::escape($caption === '' ? 'Table' : $caption),
            $to->element('caption', '', HtmlWriter::escape($caption)),
            $head,
            implode('', $rows),
        );
    }

    /** @return array{content: list<array<string, mixed>>} */
    private static function row(ReadNode $row): array
    {
        return [
            'content' => $row->parts(
                'tableCell',
                static fn (ReadNode $cell): array => ['content' => $cell->blocks(Room::Cell)],
                sprintf('A row holds 1 to %d cells.', self::MAX_COLUMNS),
                1,
                self::MAX_COLUMNS,
            ),
        ];
    }

    /** @param  list<array<string, mixed>>  $cells */
    private static function rowHtml(array $cells, bool $isHead, bool $headColumn, HtmlWriter $to): string
    {
        $html = '';
        foreach ($cells as $i => $cell) {
            $inner = ListItems::line($cell['content'], $to);
            $html .= match (true) {
                $isHead && ! ($headColumn && $i === 0 && $inner === '') => "<th scope=\"col\">$inner</th>",
                $headColumn && $i === 0 && ! $isHead => "<th scope=\"row\">$inner</th>",
                default => "<td>$inner</td>",
            };
        }

        return "<tr>$html</tr>";
    }
}
