<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Block;

use Heronstem\Core\Content\HtmlWriter;

final readonly class Quote implements BlockKind
{
    public function type(): string
    {
        return 'blockquote';
    }

    public function fits(Room $room): bool
    {
        return $room !== Room::Cell;
    }

    public function read(ReadNode $node): array
    {
        return ['content' => $node->blocks(Room::Inside)];
    }

    public function html(array $block, OwnAttributes $own, HtmlWriter $to): string
    {
        return $to->element('blockquote', $own->with(), $to->blocks($block['content']));
    }
}
