<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Block;

use Heronstem\Core\Content\HtmlWriter;
use Heronstem\Core\Content\LinkAttributes;

/** A link that stands by itself as a button. */
final readonly class ButtonLink implements BlockKind
{
    public function type(): string
    {
        return 'button';
    }

    public function fits(Room $room): bool
    {
        return $room !== Room::Cell;
    }

    public function read(ReadNode $node): array
    {
        $attributes = $node->attributes();

        return [
            'attrs' => [
                'text' => $attributes->needed('text', 'A button says what happens: "Book a crossing".', 100),
                'look' => $attributes->choice('look', ['strong', 'quiet'], 'A button is strong or quiet.'),
                'link' => LinkAttributes::read($attributes->within('link')),
            ],
        ];
    }

    public function html(array $block, OwnAttributes $own, HtmlWriter $to): string
    {
        ['text' => $text, 'look' => $look, 'link' => $link] = $block['attrs'];

        return $to->element('p', $own->with('button', "button-$look"), $to->anchor($link, HtmlWriter::escape($text)) ?? '');
    }
}
