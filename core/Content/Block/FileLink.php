<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Block;

use Heronstem\Core\Content\HtmlWriter;

/** A file to download, with its name, kind and size. */
final readonly class FileLink implements BlockKind
{
    public function type(): string
    {
        return 'file';
    }

    public function fits(Room $room): bool
    {
        return $room !== Room::Cell;
    }

    public function read(ReadNode $node): array
    {
        $attributes = $node->attributes();

        return ['attrs' => ['file' => $attributes->identity('file'), 'name' => $attributes->line('name', 200)]];
    }

    public function html(array $block, OwnAttributes $own, HtmlWriter $to): string
    {
        $file = $to->files->file($block['attrs']['file']);
        if ($file === null) {
            return '';
        }
        $name = $block['attrs']['name'] === '' ? $file->name : $block['attrs']['name'];

        return sprintf(
            '<p%s><a href="%s" download>%s</a> <small>%s, %s</small></p>',
            $own->with('file'),
            HtmlWriter::escape($file->address),
            HtmlWriter::escape($name),
            HtmlWriter::escape($file->kind()),
            $file->size(),
        );
    }
}
