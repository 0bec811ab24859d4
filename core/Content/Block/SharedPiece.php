<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Block;

use Heronstem\Core\Content\HtmlWriter;

/** Content that is written once and shown on many pages: only its identity stands in the page. */
final readonly class SharedPiece implements BlockKind
{
    public function type(): string
    {
        return 'shared';
    }

    public function fits(Room $room): bool
    {
        return $room !== Room::Cell;
    }

    public function read(ReadNode $node): array
    {
        return ['attrs' => ['piece' => $node->attributes()->identity('piece')]];
    }

    public function html(array $block, OwnAttributes $own, HtmlWriter $to): string
    {
        // Put in by Document::withPieces() before it gets here; one that is gone shows nothing.
        return ($block['content'] ?? []) === [] ? '' : '<div'.$own->with().'>'.$to->blocks($block['content']).'</div>';
    }
}
