<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Block;

use Heronstem\Core\Content\HtmlWriter;

/** A line between what belongs apart. */
final readonly class Divider implements BlockKind
{
    public function type(): string
    {
        return 'divider';
    }

    public function fits(Room $room): bool
    {
        return $room !== Room::Cell;
    }

    public function read(ReadNode $node): array
    {
        return [];
    }

    public function html(array $block, OwnAttributes $own, HtmlWriter $to): string
    {
        return '<hr'.$own->with().'>';
    }
}
