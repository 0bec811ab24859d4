<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Block;

use Heronstem\Core\Content\HtmlWriter;

/** The items of a list, with bullets or numbers. */
final readonly class ListItems
{
    /** @return array{content: list<array<string, mixed>>} */
    public static function read(ReadNode $node): array
    {
        return [
            'content' => $node->parts(
                'listItem',
                static fn (ReadNode $item): array => ['content' => $item->blocks(Room::Inside)],
                'A list holds list items.',
            ),
        ];
    }

    /** @param  list<array<string, mixed>>  $items */
    public static function html(array $items, HtmlWriter $to): string
    {
        return implode('', array_map(static fn (array $item): string => $to->element('li', '', self::line($item['content'], $to)), $items));
    }

    /**
     * What is only a paragraph reads as a line, not as a paragraph with space around it.
     *
     * @param  list<array<string, mixed>>  $content
     */
    public static function line(array $content, HtmlWriter $to): string
    {
        $isLine = count($content) === 1 && $content[0]['type'] === 'paragraph' && ! isset($content[0]['attrs']);

        return $isLine ? $to->inline($content[0]['content']) : $to->blocks($content);
    }
}
