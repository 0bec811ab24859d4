<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Block;

use Heronstem\Core\Content\HtmlWriter;

/** Several pictures, side by side or one after the other: chosen ones, or those of a folder of files, whichever they are. */
final readonly class Gallery implements BlockKind
{
    private const MAX_PICTURES = 60;

    public function type(): string
    {
        return 'gallery';
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
                'view' => $attributes->choice('view', ['grid', 'slides'], 'Pictures are shown as a grid or as slides.'),
                ...$attributes->has('folder')
                    ? ['folder' => $attributes->needed('folder', 'Say which folder of files.', 200)]
                    : ['pictures' => array_map(PictureTexts::read(...), $attributes->each('pictures', 1, self::MAX_PICTURES))],
            ],
        ];
    }

    public function html(array $block, OwnAttributes $own, HtmlWriter $to): string
    {
        $view = $block['attrs']['view'];
        $pictures = isset($block['attrs']['folder'])
            ? array_slice($to->files->inFolder($block['attrs']['folder']), 0, self::MAX_PICTURES)
            : $block['attrs']['pictures'];
        $items = '';
        foreach ($pictures as $picture) {
            $image = $to->image($picture['file'], $picture['alt']);
            if ($image !== null) {
                $caption = $to->element('figcaption', '', HtmlWriter::escape($picture['caption']));
                $items .= '<li><figure>'.$to->enlarged($picture['file'], $image, $picture['alt']).$caption.'</figure></li>';
            }
        }
        // Slides are a row that scrolls: by finger, by wheel, and by keyboard once it has the focus.
        $scrolls = $view === 'slides' ? ' tabindex="0" role="group" aria-label="Pictures"' : '';

        return $items === '' ? '' : '<div'.$own->with('gallery', "gallery-$view").$scrolls."><ul>$items</ul></div>";
    }
}
