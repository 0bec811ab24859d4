<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Block;

use Heronstem\Core\Content\HtmlWriter;

/** Something to be noticed, set apart from the rest. */
final readonly class Callout implements BlockKind
{
    public function type(): string
    {
        return 'callout';
    }

    public function fits(Room $room): bool
    {
        return $room !== Room::Cell;
    }

    public function read(ReadNode $node): array
    {
        return [
            'attrs' => ['tone' => $node->attributes()->choice('tone', ['note', 'tip', 'warning'], 'A call-out is a note, a tip or a warning.')],
            'content' => $node->blocks(Room::Inside),
        ];
    }

    public function html(array $block, OwnAttributes $own, HtmlWriter $to): string
    {
        return $to->element('div', $own->with('callout', 'callout-'.$block['attrs']['tone']).' role="note"', $to->blocks($block['content']));
    }
}
