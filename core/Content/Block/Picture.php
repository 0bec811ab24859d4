<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Block;

use Heronstem\Core\Content\HtmlWriter;
use Heronstem\Core\Content\LinkAttributes;

/** A picture with its texts, its width and its place. It may lead somewhere, or to itself in full size. */
final readonly class Picture implements BlockKind
{
    public function type(): string
    {
        return 'picture';
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
                ...PictureTexts::read($attributes),
                'align' => $attributes->choice('align', ['centre', 'left', 'right'], 'A picture stands left, centre or right.'),
                'width' => $attributes->choice('width', [100, 25, 50, 75], 'A picture is 25, 50, 75 or 100 per cent wide.'),
                ...$attributes->flag('enlarge') ? ['enlarge' => true] : [],
                ...$attributes->has('link') ? ['link' => LinkAttributes::read($attributes->within('link'))] : [],
            ],
        ];
    }

    public function html(array $block, OwnAttributes $own, HtmlWriter $to): string
    {
        $attrs = $block['attrs'];
        $image = $to->image($attrs['file'], $attrs['alt'], $attrs['width']);
        if ($image === null) {
            return '';
        }
        $shown = match (true) {
            isset($attrs['link']) => $to->anchor($attrs['link'], $image) ?? $image,
            isset($attrs['enlarge']) => $to->enlarged($attrs['file'], $image, $attrs['alt']),
            default => $image,
        };

        return sprintf(
            '<figure%s>%s%s</figure>',
            $own->with('picture', "picture-{$attrs['align']}", "picture-{$attrs['width']}"),
            $shown,
            $to->element('figcaption', '', HtmlWriter::escape($attrs['caption'])),
        );
    }
}
