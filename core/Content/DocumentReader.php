<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

use Heronstem\Core\Identity;

/** Checks decoded JSON against the document format and keeps only what the format knows. */
final class DocumentReader
{
    private const MAX_DEPTH = 10;

    private const WIDTHS = [25, 50, 75, 100];

    private const ALIGNMENTS = ['left', 'centre', 'right'];

    /**
     * @return list<array<string, mixed>>
     *
     * @throws InvalidDocument
     */
    public function blocks(mixed $nodes, string $path, int $depth): array
    {
        if ($depth > self::MAX_DEPTH) {
            throw new InvalidDocument($path, sprintf('Lists and quotes go at most %d levels deep.', self::MAX_DEPTH));
        }

        return $this->each($nodes, $path, fn (array $node, string $at): array => $this->block($node, $at, $depth));
    }

    /**
     * @param  array<mixed>  $node
     * @return array<string, mixed>
     */
    private function block(array $node, string $at, int $depth): array
    {
        $type = $node['type'] ?? null;
        $content = $node['content'] ?? [];

        return match ($type) {
            'paragraph' => ['type' => $type, 'content' => $this->inline($content, "$at.content")],
            'heading' => ['type' => $type, 'attrs' => ['level' => $this->level($node, $at)], 'content' => $this->inline($content, "$at.content")],
            'bulletList', 'orderedList' => [
                'type' => $type,
                'content' => $this->each($content, "$at.content", fn (array $item, string $to): array => $this->item($item, $to, $depth + 1)),
            ],
            'blockquote' => ['type' => $type, 'content' => $this->blocks($content, "$at.content", $depth + 1)],
            'picture' => ['type' => $type, 'attrs' => $this->picture($node, "$at.attrs")],
            default => throw new InvalidDocument(
                "$at.type",
                'A block is a heading, paragraph, bulletList, orderedList, blockquote or picture.',
                'paragraph',
            ),
        };
    }

    /**
     * @param  array<mixed>  $node
     * @return array<string, mixed>
     */
    private function item(array $node, string $at, int $depth): array
    {
        if (($node['type'] ?? null) !== 'listItem') {
            throw new InvalidDocument("$at.type", 'A list holds list items.', 'listItem');
        }

        return ['type' => 'listItem', 'content' => $this->blocks($node['content'] ?? [], "$at.content", $depth)];
    }

    /** @param  array<mixed>  $node */
    private function level(array $node, string $at): int
    {
        $attrs = $node['attrs'] ?? null;
        $level = is_array($attrs) ? $attrs['level'] ?? null : null;
        if (! in_array($level, [2, 3, 4], true)) {
            throw new InvalidDocument("$at.attrs.level", 'Headings in the content have level 2, 3 or 4; level 1 is the page\'s own heading.', '2');
        }

        return $level;
    }

    /** @return list<array<string, mixed>> */
    private function inline(mixed $nodes, string $path): array
    {
        return $this->each($nodes, $path, function (array $node, string $at): array {
            if (($node['type'] ?? null) === 'hardBreak') {
                return ['type' => 'hardBreak'];
            }
            $text = $node['text'] ?? null;
            if (($node['type'] ?? null) !== 'text' || ! is_string($text) || $text === '' || ! mb_check_encoding($text, 'UTF-8')) {
                throw new InvalidDocument($at, 'Inside a block stand pieces of text and line breaks.');
            }
            $marks = $this->each($node['marks'] ?? [], "$at.marks", $this->mark(...));

            return ['type' => 'text', 'text' => $text] + ($marks === [] ? [] : ['marks' => $marks]);
        });
    }

    /**
     * @param  array<mixed>  $mark
     * @return array<string, mixed>
     */
    private function mark(array $mark, string $at): array
    {
        return match ($mark['type'] ?? null) {
            'bold' => ['type' => 'bold'],
            'italic' => ['type' => 'italic'],
            'link' => ['type' => 'link', 'attrs' => $this->link(is_array($mark['attrs'] ?? null) ? $mark['attrs'] : [], "$at.attrs")],
            default => throw new InvalidDocument("$at.type", 'Text can be bold, italic or a link.'),
        };
    }

    /**
     * @param  array<mixed>  $attrs
     * @return array<string, string>
     */
    private function link(array $attrs, string $at): array
    {
        $page = $attrs['page'] ?? null;
        if ($page !== null) {
            return ['page' => $this->ulid($page, "$at.page")] + $this->rest($attrs['rest'] ?? null, "$at.rest");
        }
        $href = is_string($attrs['href'] ?? null) ? trim($attrs['href']) : '';
        if (
            preg_match('#^(?:https?://[^\s/]|mailto:[^\s@]+@[^\s@]+$|tel:[+0-9]|/(?!/)|\#)#iD', $href) !== 1 ||
            preg_match('/[\x00-\x20\\\\]/', $href) === 1
        ) {
            throw new InvalidDocument(
                "$at.href",
                'A link leads to a page, to a web address with https:// or http://, to an address of this site beginning with a slash, or to a mail address.',
                'https://'.ltrim($href, '/'),
            );
        }

        return ['href' => $href];
    }

    /** @return array<string, string> */
    private function rest(mixed $rest, string $at): array
    {
        if ($rest === null || $rest === '') {
            return [];
        }
        if (! is_string($rest) || preg_match('/^[?#][^\\x00-\\x20\\\\]*$/D', $rest) !== 1) {
            throw new InvalidDocument($at, 'What follows a page in a link is a query or a fragment, beginning with ? or #.', '#');
        }

        return ['rest' => $rest];
    }

    /**
     * @param  array<mixed>  $node
     * @return array<string, mixed>
     */
    private function picture(array $node, string $at): array
    {
        $attrs = is_array($node['attrs'] ?? null) ? $node['attrs'] : [];
        $alt = is_string($attrs['alt'] ?? null) ? trim($attrs['alt']) : '';
        $decorative = ($attrs['decorative'] ?? false) === true;
        if ($alt === '' && ! $decorative) {
            throw new InvalidDocument("$at.alt", 'A picture needs a text for people who do not see it, or is marked as decorative.');
        }
        $align = $attrs['align'] ?? 'centre';
        $width = $attrs['width'] ?? 100;

        return [
            'file' => $this->ulid($attrs['file'] ?? null, "$at.file"),
            'alt' => $decorative ? '' : mb_substr($alt, 0, 500),
            'decorative' => $decorative,
            'caption' => is_string($attrs['caption'] ?? null) ? mb_substr(trim($attrs['caption']), 0, 500) : '',
            'align' => in_array($align, self::ALIGNMENTS, true)
                ? $align
                : throw new InvalidDocument("$at.align", 'A picture stands left, centre or right.', 'centre'),
            'width' => in_array($width, self::WIDTHS, true)
                ? $width
                : throw new InvalidDocument("$at.width", 'A picture is 25, 50, 75 or 100 per cent wide.', '100'),
        ];
    }

    private function ulid(mixed $value, string $at): string
    {
        return Identity::names($value)
            ? $value
            : throw new InvalidDocument($at, 'Pages and files are named by their identity, 26 letters and digits.');
    }

    /**
     * @param  \Closure(array<mixed>, string): array<string, mixed>  $read
     * @return list<array<string, mixed>>
     */
    private function each(mixed $nodes, string $path, \Closure $read): array
    {
        if (! is_array($nodes) || ! array_is_list($nodes)) {
            throw new InvalidDocument($path, 'Here belongs a list.');
        }
        $out = [];
        foreach ($nodes as $i => $node) {
            $out[] = $read(is_array($node) ? $node : throw new InvalidDocument("$path.$i", 'Here belongs an object.'), "$path.$i");
        }

        return $out;
    }
}
