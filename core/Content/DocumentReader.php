<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

use Heronstem\Core\Content\Block\Attributes;
use Heronstem\Core\Content\Block\Kinds;
use Heronstem\Core\Content\Block\ReadNode;
use Heronstem\Core\Content\Block\Room;

/** Checks decoded JSON against the document format and keeps only what the format knows. One reader reads one document. */
final class DocumentReader
{
    private const MAX_DEPTH = 10;

    /** Most blocks of a page, those inside others too. */
    private const MAX_BLOCKS = 10_000;

    private const STYLE = '/^[a-z][a-z0-9-]{0,39}$/D';

    private readonly Kinds $kinds;

    private int $blocks = 0;

    /** @var array<string, true> */
    private array $anchors = [];

    public function __construct()
    {
        $this->kinds = new Kinds();
    }

    /**
     * @return list<array<string, mixed>>
     *
     * @throws InvalidDocument
     */
    public function blocks(mixed $nodes, string $path, int $depth, Room $room): array
    {
        if ($depth > self::MAX_DEPTH) {
            throw new InvalidDocument($path, sprintf('Blocks stand at most %d levels deep in each other.', self::MAX_DEPTH));
        }

        return $this->each($nodes, $path, fn (array $node, string $at): array => $this->block($node, $at, $depth, $room));
    }

    /**
     * @return list<array<string, mixed>> text and line breaks
     *
     * @throws InvalidDocument
     */
    public function inline(mixed $nodes, string $path): array
    {
        $pieces = $this->each($nodes, $path, static function (array $node, string $at): array {
            if (($node['type'] ?? null) === 'hardBreak') {
                return ['type' => 'hardBreak'];
            }
            $text = $node['text'] ?? null;
            if (($node['type'] ?? null) !== 'text' || ! is_string($text) || $text === '' || ! mb_check_encoding($text, 'UTF-8')) {
                throw new InvalidDocument($at, 'Inside a block stand pieces of text and line breaks.');
            }
            $marks = Marks::read($node['marks'] ?? [], "$at.marks");

            return ['type' => 'text', 'text' => $text] + ($marks === [] ? [] : ['marks' => $marks]);
        });

        return self::joined($pieces);
    }

    /**
     * Pieces that are marked alike are one.
     *
     * @param  list<array<string, mixed>>  $pieces
     * @return list<array<string, mixed>>
     */
    private static function joined(array $pieces): array
    {
        $joined = [];
        foreach ($pieces as $piece) {
            $last = array_key_last($joined);
            if ($last !== null && isset($piece['text'], $joined[$last]['text']) && ($piece['marks'] ?? []) === ($joined[$last]['marks'] ?? [])) {
                $joined[$last]['text'] .= $piece['text'];
            } else {
                $joined[] = $piece;
            }
        }

        return $joined;
    }

    /**
     * @param  \Closure(array<mixed>, string): array<string, mixed>  $read
     * @return list<array<string, mixed>>
     */
    public function each(mixed $nodes, string $path, \Closure $read): array
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

    /**
     * @param  array<mixed>  $node
     * @return array<string, mixed>
     */
    private function block(array $node, string $at, int $depth, Room $room): array
    {
        $kind = $this->kinds->of($node['type'] ?? null);
        if ($kind === null) {
            throw new InvalidDocument("$at.type", 'A block is one of '.implode(', ', $this->kinds->types()).'.', 'paragraph');
        }
        if (! $kind->fits($room)) {
            throw new InvalidDocument(
                "$at.type",
                $room === Room::Cell ? 'A cell of a table holds paragraphs and lists.' : 'This block stands on the page itself, not inside another.',
                'paragraph',
            );
        }
        if (++$this->blocks > self::MAX_BLOCKS) {
            throw new InvalidDocument(
                'document',
                sprintf('A page holds at most %s blocks. Split it over several pages.', number_format(self::MAX_BLOCKS)),
            );
        }
        $read = new ReadNode($node, $at, $depth, $this);
        $own = $this->own($read->attributes());
        $block = $kind->read($read);
        $attrs = ($block['attrs'] ?? []) + $own;

        return ['type' => $kind->type()] +
            ($attrs === [] ? [] : ['attrs' => $attrs]) +
            (isset($block['content']) ? ['content' => $block['content']] : []);
    }

    /** @return array<string, string|true> what every block may have */
    private function own(Attributes $attributes): array
    {
        $own = $attributes->flag('hidden') ? ['hidden' => true] : [];
        $anchor = $attributes->line('anchor', 100);
        if ($anchor !== '') {
            if (! Anchors::isName($anchor)) {
                throw $attributes->refusal(
                    'anchor',
                    'A name for links has letters, digits and hyphens, and does not begin with "site-".',
                    Anchors::name($anchor),
                );
            }
            if (isset($this->anchors[$anchor])) {
                throw $attributes->refusal('anchor', "Two blocks of this page are called \"$anchor\". Links could mean either.", "$anchor-2");
            }
            $this->anchors[$anchor] = true;
            $own['anchor'] = $anchor;
        }
        $style = $attributes->line('style', 100);
        if ($style !== '') {
            $own['style'] =
                preg_match(self::STYLE, $style) === 1
                    ? $style
                    : throw $attributes->refusal('style', 'A style is one of the names of the design: small letters, digits and hyphens.');
        }

        return $own;
    }
}
