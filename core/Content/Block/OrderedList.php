<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Block;

use Heronstem\Core\Content\HtmlWriter;

final readonly class OrderedList implements BlockKind
{
    public function type(): string
    {
        return 'orderedList';
    }

    public function fits(Room $room): bool
    {
        return true;
    }

    public function read(ReadNode $node): array
    {
        return ListItems::read($node);
    }

    public function html(array $block, OwnAttributes $own, HtmlWriter $to): string
    {
        return $to->element('ol', $own->with(), ListItems::html($block['content'], $to));
    }
}
