<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Block;

use Heronstem\Core\Content\HtmlWriter;

final readonly class Heading implements BlockKind
{
    public function type(): string
    {
        return 'heading';
    }

    public function fits(Room $room): bool
    {
        return $room !== Room::Cell;
    }

    public function read(ReadNode $node): array
    {
        $attributes = $node->attributes();
        if (! $attributes->has('level')) {
            throw $attributes->refusal('level', self::LEVELS, '2');
        }

        return ['attrs' => ['level' => $attributes->choice('level', [2, 3, 4], self::LEVELS)], 'content' => $node->inline()];
    }

    public function html(array $block, OwnAttributes $own, HtmlWriter $to): string
    {
        return $to->element('h'.$block['attrs']['level'], $own->with(), $to->inline($block['content']));
    }

    private const LEVELS = 'Headings in the content have level 2, 3 or 4; level 1 is the page\'s own heading.';
}
