<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

use Heronstem\Core\Linking\OwnAddress;

/**
 * A page's content: typed blocks in JSON, version 1. Blocks are heading, paragraph, bulletList, orderedList,
 * blockquote and picture; text carries the marks bold, italic and link. Links to pages keep the page's
 * identity, so they follow it wherever it moves.
 */
final readonly class Document
{
    public const VERSION = 1;

    /** @param  list<array<string, mixed>>  $blocks */
    private function __construct(public array $blocks)
    {
    }

    /**
     * @param  array<mixed>  $json  decoded JSON of any origin
     *
     * @throws InvalidDocument naming the place that does not fit
     */
    public static function read(array $json): self
    {
        if (($json['version'] ?? self::VERSION) !== self::VERSION) {
            throw new InvalidDocument(
                'document.version',
                'This content was written in a version of the format that is not known here.',
                (string) self::VERSION,
            );
        }
        if (($json['type'] ?? null) !== 'doc') {
            throw new InvalidDocument('document.type', 'Content is a document of blocks.', 'doc');
        }

        return new self((new DocumentReader())->blocks($json['content'] ?? [], 'document.content', 0));
    }

    public static function blank(): self
    {
        return new self([]);
    }

    public function isBlank(): bool
    {
        return PlainText::of($this) === '' && $this->pictures() === [];
    }

    /** @return list<string> identities of pages linked to, each once */
    public function linkedPages(): array
    {
        return $this->collect(static function (array $node): array {
            $pages = [];
            foreach ($node['marks'] ?? [] as $mark) {
                if ($mark['type'] === 'link' && isset($mark['attrs']['page'])) {
                    $pages[] = $mark['attrs']['page'];
                }
            }

            return $pages;
        });
    }

    /** @return list<string> web and mail addresses linked to as they are written, each once */
    public function hrefs(): array
    {
        return $this->collect(
            static fn (array $node): array => array_values(
                array_filter(array_map(static fn (array $mark): ?string => $mark['attrs']['href'] ?? null, $node['marks'] ?? [])),
            ),
        );
    }

    /** @return list<string> identities of the pictures shown, each once */
    public function pictures(): array
    {
        return $this->collect(static fn (array $node): array => $node['type'] === 'picture' ? [$node['attrs']['file']] : []);
    }

    /**
     * The same content with links to some pages leading to others.
     *
     * @param  array<string, string>  $to  by the page that is linked to
     */
    public function withLinksTurned(array $to): self
    {
        return $this->withLinks(
            static fn (array $link): array => isset($link['page'], $to[$link['page']]) ? ['page' => $to[$link['page']]] + $link : $link,
        );
    }

    /**
     * The same content with links that were written as addresses leading to pages; query and fragment stay with them.
     *
     * @param  array<string, string>  $to  page by href
     */
    public function withHrefsTurned(array $to): self
    {
        return $this->withLinks(static function (array $link) use ($to): array {
            if (! isset($link['href'], $to[$link['href']])) {
                return $link;
            }
            $rest = OwnAddress::rest($link['href']);

            return ['page' => $to[$link['href']]] + ($rest === '' ? [] : ['rest' => $rest]);
        });
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['version' => self::VERSION, 'type' => 'doc', 'content' => $this->blocks];
    }

    /**
     * @param  \Closure(array<string, mixed>): list<string>  $of
     * @return list<string>
     */
    private function collect(\Closure $of): array
    {
        $found = [];
        foreach (self::nodes($this->blocks) as $node) {
            foreach ($of($node) as $value) {
                $found[$value] = true;
            }
        }

        return array_map(strval(...), array_keys($found));
    }

    /** @return list<int> levels of the headings, in order */
    public function headingLevels(): array
    {
        $levels = [];
        foreach (self::nodes($this->blocks) as $node) {
            if ($node['type'] === 'heading') {
                $levels[] = $node['attrs']['level'];
            }
        }

        return $levels;
    }

    /** @return list<string> texts of the headings, in order */
    public function headings(): array
    {
        $texts = [];
        foreach (self::nodes($this->blocks) as $node) {
            if ($node['type'] === 'heading') {
                $texts[] = PlainText::line($node['content'] ?? []);
            }
        }

        return $texts;
    }

    /** @return list<array{file: string, alt: string|null}> pictures in order; null where one is marked as decorative */
    public function picturesWithTexts(): array
    {
        $pictures = [];
        foreach (self::nodes($this->blocks) as $node) {
            if ($node['type'] === 'picture') {
                $pictures[] = ['file' => $node['attrs']['file'], 'alt' => ($node['attrs']['decorative'] ?? false) === true ? null : $node['attrs']['alt'] ?? ''];
            }
        }

        return $pictures;
    }

    /**
     * @param  list<array<string, mixed>>  $blocks
     * @return \Generator<int, array<string, mixed>> every block and piece of text, in reading order
     */
    private static function nodes(array $blocks): \Generator
    {
        foreach ($blocks as $block) {
            yield $block;
            yield from self::nodes($block['content'] ?? []);
        }
    }

    /** @param  \Closure(array<string, string>): array<string, string>  $of */
    private function withLinks(\Closure $of): self
    {
        return new self(array_map(static fn (array $block): array => self::turned($block, $of), $this->blocks));
    }

    /**
     * @param  array<string, mixed>  $node
     * @param  \Closure(array<string, string>): array<string, string>  $of
     * @return array<string, mixed>
     */
    private static function turned(array $node, \Closure $of): array
    {
        foreach ($node['marks'] ?? [] as $i => $mark) {
            if ($mark['type'] === 'link') {
                $node['marks'][$i]['attrs'] = $of($mark['attrs']);
            }
        }
        if (isset($node['content'])) {
            $node['content'] = array_map(static fn (array $child): array => self::turned($child, $of), $node['content']);
        }

        return $node;
    }
}
