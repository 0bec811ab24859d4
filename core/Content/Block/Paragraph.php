<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Block;

use Heronstem\Core\Content\HtmlWriter;

final readonly class Paragraph implements BlockKind
{
    public function type(): string
    {
        return 'paragraph';
    }

    public function fits(Room $room): bool
    {
        return true;
    }

    public function read(ReadNode $node): array
    {
        return ['content' => $node->inline()];
    }

    public function html(array $block, OwnAttributes $own, HtmlWriter $to): string
    {
        return $to->element('p', $own->with(), $to->inline($block['content']));
    }
}
