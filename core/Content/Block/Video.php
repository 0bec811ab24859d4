<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Block;

use Heronstem\Core\Content\HtmlWriter;

/** A film of the site, with its title, a picture that stands for it until it plays, and captions (WebVTT). */
final readonly class Video implements BlockKind
{
    public function type(): string
    {
        return 'video';
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
                'file' => $attributes->identity('file'),
                'title' => $attributes->needed('title', 'A film needs a title, for people who do not see it.', 200),
                'caption' => $attributes->line('caption'),
                ...$attributes->has('poster') ? ['poster' => ['file' => $attributes->within('poster')->identity('file')]] : [],
                ...$attributes->has('captions') ? ['captions' => self::captions($attributes->within('captions'))] : [],
            ],
        ];
    }

    public function html(array $block, OwnAttributes $own, HtmlWriter $to): string
    {
        $attrs = $block['attrs'];
        $film = $to->files->file($attrs['file']);
        if ($film === null) {
            return '';
        }
        $poster = isset($attrs['poster']) ? $to->files->picture($attrs['poster']['file']) : null;
        $captions = isset($attrs['captions']) ? $to->files->file($attrs['captions']['file']) : null;
        $address = HtmlWriter::escape($film->address);
        $title = HtmlWriter::escape($attrs['title']);
        $shown = $poster === null ? '' : sprintf(' poster="%s" width="%d" height="%d"', HtmlWriter::escape($poster->address), $poster->width, $poster->height);
        $track = $captions === null ? '' : sprintf('<track kind="captions" src="%s" srclang="%s" default>', HtmlWriter::escape($captions->address), $attrs['captions']['language']);

        // Nothing of it is fetched before somebody plays it; what cannot play films offers it as a file.
        return sprintf(
            '<figure%s><video controls preload="none" src="%s" title="%s"%s>%s<a href="%s">%s</a></video>%s</figure>',
            $own->with('video'),
            $address,
            $title,
            $shown,
            $track,
            $address,
            $title,
            $to->element('figcaption', '', HtmlWriter::escape($attrs['caption'])),
        );
    }

    /** @return array{file: string, language: string} */
    private static function captions(Attributes $captions): array
    {
        $language = $captions->line('language', 35);

        return [
            'file' => $captions->identity('file'),
            // A language tag (BCP 47) in its common parts.
            'language' => preg_match('/^[A-Za-z]{2,3}(?:-[A-Za-z0-9]{2,8})*$/D', $language) === 1
                ? $language
                : throw $captions->refusal('language', 'Captions say in which language they are: en, de, gd …', 'en'),
        ];
    }
}
