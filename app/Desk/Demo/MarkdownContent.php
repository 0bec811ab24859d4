<?php

declare(strict_types=1);

namespace App\Desk\Demo;

use App\Desk\MarkdownToHtml;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Content\HtmlReader;

/**
 * Markdown of a demo page to a document. A line that is only a picture becomes a picture block; pages are named by their
 * address and files by their name, in links and in the attributes of blocks alike.
 */
final readonly class MarkdownContent
{
    private const PICTURE = '/^!\[(?<alt>[^\]]*)\]\((?<file>\S+?)(?: "(?<caption>[^"]*)")?\)(?:\{(?<align>left|centre|right) (?<width>25|50|75|100)\})?$/m';

    private MarkdownToHtml $toHtml;

    /**
     * @param  \Closure(string): ?string  $pageAt  identity of the page at an address
     * @param  \Closure(string): string  $picture  identity of an uploaded picture by its file name
     * @param  array<string, string>  $pieces  identities of shared pieces by their keys
     */
    public function __construct(private \Closure $pageAt, private \Closure $picture, private array $pieces = [])
    {
        $this->toHtml = new MarkdownToHtml();
    }

    public function document(string $markdown): Document
    {
        $markdown = (string) preg_replace_callback(self::PICTURE, $this->pictureBlock(...), $markdown);
        $read = (new HtmlReader($this->pageAt, static fn (): ?string => null))->read($this->named($this->toHtml->html($markdown)));

        return $read['lost'] === []
            ? $read['document']
            : throw new \LogicException('A demo page says what the format cannot hold: '.implode(', ', $read['lost']));
    }

    private function named(string $html): string
    {
        return (string) preg_replace_callback(
            '#"(page|file|piece)":"([^"]+)"#',
            fn (array $found): string => sprintf(
                '"%s":"%s"',
                $found[1],
                match ($found[1]) {
                    'page' => ($this->pageAt)($found[2]) ?? $found[2],
                    'piece' => $this->pieces[$found[2]],
                    default => ($this->picture)($found[2]),
                },
            ),
            $html,
        );
    }

    /** @param  array<string>  $found */
    private function pictureBlock(array $found): string
    {
        $attrs = [
            'file' => $found['file'],
            'alt' => $found['alt'],
            'decorative' => $found['alt'] === '',
            'caption' => $found['caption'] ?? '',
            'align' => $found['align'] ?? '' ?: 'centre',
            'width' => (int) ($found['width'] ?? '' ?: 100),
        ];

        return "<div data-block=\"picture\" data-attrs='".
            htmlspecialchars((string) json_encode($attrs, JSON_UNESCAPED_UNICODE), ENT_NOQUOTES | ENT_HTML5).
            "'></div>";
    }
}
