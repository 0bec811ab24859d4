<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Replace;

use Heronstem\Core\Content\Document;

/**
 * The texts of a document, each with what was found in it: lines as visitors read them, whatever their marks, and texts of
 * pictures, tables, films and files. Addresses and markup are none. What is put in takes the marks of where it begins.
 */
final class ReplacedDocument
{
    /** Attributes that are texts. */
    private const TEXTS = ['alt' => true, 'caption' => true, 'name' => true, 'title' => true];

    /** @var list<array{0: string, 1: Found}> each text with a place that was found in it, in order */
    public array $found = [];

    private int $n = 0;

    /** @param  \Closure(int): bool  $takes  whether a place is replaced, by its number in the document */
    private function __construct(private readonly Replacement $replacement, private readonly \Closure $takes)
    {
    }

    /**
     * @param  \Closure(int): bool  $takes
     * @param  bool  $isChecked  what becomes of it is held against the format: needed before it is kept, not where places are only looked at
     * @return array{Document, list<array{0: string, 1: Found}>}
     */
    public static function of(Document $document, Replacement $replacement, \Closure $takes, bool $isChecked = true): array
    {
        $self = new self($replacement, $takes);
        $blocks = $self->nodes($document->blocks);

        $json = ['type' => 'doc', 'content' => $blocks];

        return [$self->found === [] ? $document : ($isChecked ? Document::read($json) : Document::kept($json)), $self->found];
    }

    /**
     * @param  list<array<string, mixed>>  $nodes
     * @return list<array<string, mixed>>
     */
    private function nodes(array $nodes): array
    {
        $isInline = in_array($nodes[0]['type'] ?? '', ['text', 'hardBreak'], true);

        return $isInline ? $this->lines($nodes) : array_map($this->node(...), $nodes);
    }

    /**
     * @param  array<string, mixed>  $node
     * @return array<string, mixed>
     */
    private function node(array $node): array
    {
        if (isset($node['attrs'])) {
            $node['attrs'] = $this->attributes($node['attrs']);
        }
        if (isset($node['content']) && $node['content'] !== []) {
            $node['content'] = $this->nodes($node['content']);
        }

        return $node;
    }

    /**
     * @param  array<string, mixed>  $attributes
     * @return array<string, mixed>
     */
    private function attributes(array $attributes): array
    {
        foreach ($attributes as $key => $value) {
            if (is_array($value)) {
                $attributes[$key] = array_is_list($value)
                    ? array_map(fn (mixed $each): mixed => is_array($each) ? $this->attributes($each) : $each, $value)
                    : $this->attributes($value);
            } elseif (isset(self::TEXTS[$key]) && is_string($value)) {
                $attributes[$key] = Replacement::made($value, $this->taken($value));
            }
        }

        return $attributes;
    }

    /**
     * Pieces between breaks are one text each.
     *
     * @param  list<array<string, mixed>>  $pieces
     * @return list<array<string, mixed>>
     */
    private function lines(array $pieces): array
    {
        $made = $line = [];
        foreach ($pieces as $piece) {
            if ($piece['type'] === 'hardBreak') {
                array_push($made, ...$this->line($line), ...[$piece]);
                $line = [];
            } else {
                $line[] = $piece;
            }
        }

        return [...$made, ...$this->line($line)];
    }

    /**
     * @param  list<array<string, mixed>>  $pieces
     * @return list<array<string, mixed>>
     */
    private function line(array $pieces): array
    {
        $found = $this->taken(count($pieces) === 1 ? $pieces[0]['text'] : implode('', array_column($pieces, 'text')));
        if ($found === []) {
            return array_map(fn (array $piece): array => isset($piece['marks']) ? $this->withTitle($piece) : $piece, $pieces);
        }
        $from = 0;
        $made = [];
        foreach ($pieces as $piece) {
            $to = $from + strlen($piece['text']);
            $text = '';
            $at = $from;
            foreach ($found as $each) {
                if ($each->end() <= $from || $each->start >= $to) {
                    continue;
                }
                // What is put in stands where the place begins; of the pieces that it goes on in, only what it covers goes.
                $text .= substr($piece['text'], $at - $from, max(0, $each->start - $at));
                $text .= $each->start >= $from ? $each->becomes : '';
                $at = min($to, $each->end());
            }
            $piece['text'] = $text.substr($piece['text'], $at - $from);
            if ($piece['text'] !== '') {
                $made[] = $this->withTitle($piece);
            }
            $from = $to;
        }

        return $made;
    }

    /**
     * Titles of links are texts, too.
     *
     * @param  array<string, mixed>  $piece
     * @return array<string, mixed>
     */
    private function withTitle(array $piece): array
    {
        foreach ($piece['marks'] ?? [] as $i => $mark) {
            if (isset($mark['attrs']['title'])) {
                $piece['marks'][$i]['attrs']['title'] = Replacement::made($mark['attrs']['title'], $this->taken($mark['attrs']['title']));
            }
        }

        return $piece;
    }

    /** @return list<Found> those that are replaced */
    private function taken(string $text): array
    {
        $taken = [];
        foreach ($text === '' ? [] : $this->replacement->in($text) as $each) {
            $this->found[] = [$text, $each];
            if (($this->takes)($this->n++)) {
                $taken[] = $each;
            }
        }

        return $taken;
    }
}
