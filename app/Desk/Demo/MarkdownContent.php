<?php

declare(strict_types=1);

namespace App\Desk\Demo;

use Heronstem\Core\Content\Document;
use Heronstem\Core\Content\PastedHtml;
use League\CommonMark\CommonMarkConverter;

/** Markdown to a document; a line that is only a picture becomes a picture block. */
final readonly class MarkdownContent
{
    private const PICTURE = '/^!\[(?<alt>[^\]]*)\]\((?<file>\S+?)(?: "(?<caption>[^"]*)")?\)(?:\{(?<align>left|centre|right) (?<width>25|50|75|100)\})?$/m';

    /**
     * @param  \Closure(string): ?string  $pageAt  identity of the page at an address
     * @param  \Closure(string): string  $picture  identity of an uploaded picture by its file name
     */
    public function __construct(private \Closure $pageAt, private \Closure $picture)
    {
    }

    public function document(string $markdown): Document
    {
        $blocks = [];
        $rest = $markdown;
        while (preg_match(self::PICTURE, $rest, $found, PREG_OFFSET_CAPTURE) === 1) {
            $blocks = [
                ...$blocks,
                ...$this->blocks(substr($rest, 0, $found[0][1])),
                $this->pictureBlock(array_map(static fn (array $part): string => $part[0], $found)),
            ];
            $rest = substr($rest, $found[0][1] + strlen($found[0][0]));
        }

        return Document::read(['version' => Document::VERSION, 'type' => 'doc', 'content' => [...$blocks, ...$this->blocks($rest)]]);
    }

    /** @return list<array<string, mixed>> */
    private function blocks(string $markdown): array
    {
        return (new PastedHtml($this->pageAt))->read((new CommonMarkConverter())->convert($markdown)->getContent())->blocks;
    }

    /**
     * @param  array<string>  $found
     * @return array<string, mixed>
     */
    private function pictureBlock(array $found): array
    {
        return [
            'type' => 'picture',
            'attrs' => [
                'file' => ($this->picture)($found['file']),
                'alt' => $found['alt'],
                'decorative' => $found['alt'] === '',
                'caption' => $found['caption'] ?? '',
                'align' => $found['align'] ?? '' ?: 'centre',
                'width' => (int) ($found['width'] ?? '' ?: 100),
            ],
        ];
    }
}
