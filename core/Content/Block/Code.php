<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Block;

use Heronstem\Core\Content\HtmlWriter;

/** Text set as it is typed, with its spaces and line ends. */
final readonly class Code implements BlockKind
{
    public function type(): string
    {
        return 'codeBlock';
    }

    public function fits(Room $room): bool
    {
        return $room !== Room::Cell;
    }

    public function read(ReadNode $node): array
    {
        $text = $node->plain();

        return ['content' => $text === '' ? [] : [['type' => 'text', 'text' => $text]]];
    }

    public function html(array $block, OwnAttributes $own, HtmlWriter $to): string
    {
        $code = $to->element('code', '', HtmlWriter::escape($block['content'][0]['text'] ?? ''));

        return $code === '' ? '' : '<pre'.$own->with().' tabindex="0">'.$code.'</pre>';
    }
}
