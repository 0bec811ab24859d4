<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Block;

use Heronstem\Core\Content\HtmlWriter;
use Heronstem\Core\Content\InvalidDocument;

/**
 * One kind of block: how it is checked and how visitors get it. A new kind is one class, named in `Kinds`, with a node of
 * the editor beside it.
 */
interface BlockKind
{
    /** What the format calls it. */
    public function type(): string;

    public function fits(Room $room): bool;

    /**
     * The attributes and the content that the format knows; what it does not know is left out.
     *
     * @return array{attrs?: array<string, mixed>, content?: list<array<string, mixed>>}
     *
     * @throws InvalidDocument naming the place that does not fit
     */
    public function read(ReadNode $node): array;

    /**
     * The element for visitors, or nothing where there is nothing to show. `$own` are attributes that every block may have,
     * written out and with a space in front: they go into the start tag.
     *
     * @param  array<string, mixed>  $block
     */
    public function html(array $block, OwnAttributes $own, HtmlWriter $to): string;
}
