<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Block;

use Heronstem\Core\Content\HtmlWriter;

/**
 * A film with its title and a picture that stands for it until it plays: a file of the site with captions (WebVTT), or one that
 * another site shows, named by its address there. Of the latter nothing is loaded before a visitor asks for it.
 */
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
        $isElsewhere = $attributes->has('address');

        return [
            'attrs' => [
                ...$isElsewhere ? ['address' => self::address($attributes)] : ['file' => $attributes->identity('file')],
                'title' => $attributes->needed('title', 'A video needs a title, for people who cannot see it.', 200),
                'caption' => $attributes->line('caption'),
                ...$attributes->has('poster') ? ['poster' => ['file' => $attributes->within('poster')->identity('file')]] : [],
                ...$attributes->has('captions') && ! $isElsewhere ? ['captions' => self::captions($attributes->within('captions'))] : [],
            ],
        ];
    }

    public function html(array $block, OwnAttributes $own, HtmlWriter $to): string
    {
        $film = isset($block['attrs']['address']) ? self::elsewhere($block['attrs'], $to) : self::ownFilm($block['attrs'], $to);
        $caption = $to->element('figcaption', '', HtmlWriter::escape($block['attrs']['caption']));

        return $film === '' ? '' : '<figure'.$own->with('video').">$film$caption</figure>";
    }

    /** @param  array<string, mixed>  $attrs */
    private static function ownFilm(array $attrs, HtmlWriter $to): string
    {
        $film = $to->files->file($attrs['file']);
        if ($film === null) {
            return '';
        }
        $poster = isset($attrs['poster']) ? $to->files->picture($attrs['poster']['file']) : null;
        $captions = isset($attrs['captions']) ? $to->files->file($attrs['captions']['file']) : null;
        $address = HtmlWriter::escape($film->address);
        $title = HtmlWriter::escape($attrs['title']);
        $shown =
            $poster === null
                ? ''
                : sprintf(' poster="%s" width="%d" height="%d"', HtmlWriter::escape($poster->address), $poster->width, $poster->height);
        $track =
            $captions === null
                ? ''
                : sprintf(
                    '<track kind="captions" src="%s" srclang="%s" default>',
                    HtmlWriter::escape($captions->address),
                    $attrs['captions']['language'],
                );

        // Nothing of it is fetched before somebody plays it; what cannot play films offers it as a file.
        return sprintf('<video controls preload="none" src="%s" title="%s"%s>%s<a href="%1$s">%2$s</a></video>', $address, $title, $shown, $track);
    }

    /**
     * A link to where it is shown; where scripts run, it plays in its place once it is clicked.
     *
     * @param  array<string, mixed>  $attrs
     */
    private static function elsewhere(array $attrs, HtmlWriter $to): string
    {
        $film = $to->films->at($attrs['address']);
        $frame =
            $film === null
                ? ''
                : sprintf(' data-film="%s" data-width="%d" data-height="%d"', HtmlWriter::escape($film->frame), $film->width, $film->height);

        return sprintf(
            '<a class="film" href="%s"%s rel="noopener">%s<strong>%s</strong> <small>%s</small></a>',
            HtmlWriter::escape($attrs['address']),
            $frame,
            isset($attrs['poster']) ? $to->image($attrs['poster']['file'], '') ?? '' : '',
            HtmlWriter::escape($attrs['title']),
            HtmlWriter::escape((string) parse_url($attrs['address'], PHP_URL_HOST)),
        );
    }

    private static function address(Attributes $attributes): string
    {
        $address = $attributes->line('address', 2000);

        return preg_match('#^https?://[^\s/?\#"<>\\\\@]+[^\s"<>\\\\]*$#iD', $address) === 1
            ? $address
            : throw $attributes->refusal('address', 'A video elsewhere is named by its web address, beginning with https://.', 'https://');
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
