<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Block;

use Heronstem\Core\Content\HtmlWriter;

/** Two to four columns beside each other, one below the other on a phone. */
final readonly class Columns implements BlockKind
{
    private const COUNT = 'Blocks stand beside each other in two to four columns.';

    public function type(): string
    {
        return 'columns';
    }

    public function fits(Room $room): bool
    {
        return $room === Room::Page;
    }

    public function read(ReadNode $node): array
    {
        return [
            'attrs' => [
                'share' => $node
                    ->attributes()
                    ->choice('share', ['equal', 'first', 'last'], 'The columns are of equal width, or the first or the last is twice as wide.'),
            ],
            'content' => $node->parts(
                'column',
                static fn (ReadNode $column): array => ['content' => $column->blocks(Room::Inside)],
                self::COUNT,
                2,
                4,
            ),
        ];
    }

    public function html(array $block, OwnAttributes $own, HtmlWriter $to): string
    {
        $columns = array_map(static fn (array $column): string => $to->blocks($column['content']), $block['content']);
        if (implode('', $columns) === '') {
            return '';
        }
        $share = $block['attrs']['share'];

        return sprintf(
            '<div%s><div>%s</div></div>',
            $own->with('columns', 'columns-'.count($columns), $share === 'equal' ? '' : "columns-$share"),
            implode('</div><div>', $columns),
        );
    }
}
