<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

use Heronstem\Core\Content\Block\Attributes;
use Heronstem\Core\Linking\OwnAddress;

/** Pieces of text with their marks from the elements of a line of HTML. */
final readonly class HtmlLine
{
    private const MARKS = [
        'strong' => 'bold',
        'b' => 'bold',
        'em' => 'italic',
        'i' => 'italic',
        'sup' => 'superscript',
        'sub' => 'subscript',
        'code' => 'code',
        'kbd' => 'code',
    ];

    /** @param  \Closure(string): ?string  $pageAt  the identity of the page at an address of the site, if any */
    public function __construct(private \Closure $pageAt)
    {
    }

    /**
     * @param  list<array<string, mixed>>  $marks  that stand around it
     * @return list<array<string, mixed>>
     */
    public function of(\DOMNode $node, array $marks = []): array
    {
        if ($node instanceof \DOMText) {
            $text = (string) preg_replace('/[ \t\r\n\f]+/', ' ', $node->data);

            return $text === '' ? [] : [['type' => 'text', 'text' => $text] + ($marks === [] ? [] : ['marks' => $marks])];
        }
        if (! ($node instanceof \DOMElement)) {
            return [];
        }
        $name = (string) $node->localName;

        return match (true) {
            $name === 'br' => [['type' => 'hardBreak']],
            $name === 'span' && $node->hasAttribute('data-text-style') => $this->within($node, [
                ...$marks,
                ['type' => 'style', 'attrs' => ['name' => $node->getAttribute('data-text-style')]],
            ]),
            $name === 'a' => $this->within($node, $this->linked($node, $marks)),
            isset(self::MARKS[$name]) => $this->within($node, self::marked($marks, self::MARKS[$name])),
            default => $this->within($node, $marks),
        };
    }

    /**
     * @param  list<array<string, mixed>>  $marks
     * @return list<array<string, mixed>>
     */
    public function within(\DOMElement $element, array $marks = []): array
    {
        $pieces = [];
        foreach ($element->childNodes as $child) {
            array_push($pieces, ...$this->of($child, $marks));
        }

        return $pieces;
    }

    /**
     * @param  list<array<string, mixed>>  $line
     * @return list<array<string, mixed>> without spaces at its ends, nor breaks unless they are kept
     */
    public static function trimmed(array $line, bool $keepsBreaks = false): array
    {
        $isBlank = static fn (array $piece): bool => $piece['type'] === 'hardBreak' ? ! $keepsBreaks : trim($piece['text']) === '';
        [$first, $behind] = [0, count($line)];
        while ($first < $behind && $isBlank($line[$first])) {
            $first++;
        }
        while ($behind > $first && $isBlank($line[$behind - 1])) {
            $behind--;
        }
        $line = array_slice($line, $first, $behind - $first);
        if ($line !== []) {
            $last = count($line) - 1;
            if (isset($line[0]['text'])) {
                $line[0]['text'] = ltrim($line[0]['text']);
            }
            if (isset($line[$last]['text'])) {
                $line[$last]['text'] = rtrim($line[$last]['text']);
            }
        }

        return $line;
    }

    /**
     * @param  list<array<string, mixed>>  $marks
     * @return list<array<string, mixed>> with the mark, once
     */
    private static function marked(array $marks, string $type): array
    {
        return in_array($type, array_column($marks, 'type'), true) ? $marks : [...$marks, ['type' => $type]];
    }

    /**
     * @param  list<array<string, mixed>>  $marks
     * @return list<array<string, mixed>>
     */
    private function linked(\DOMElement $anchor, array $marks): array
    {
        $terms = ['title' => $anchor->getAttribute('title'), 'newWindow' => $anchor->getAttribute('target') === '_blank'];
        try {
            $link = LinkAttributes::read(new Attributes($this->target(trim($anchor->getAttribute('href'))) + $terms, 'link'));
        } catch (InvalidDocument) {
            return $marks; // a link that leads nowhere loses its mark, never its content
        }
        $others = array_values(array_filter($marks, static fn (array $mark): bool => $mark['type'] !== 'link'));

        return [...$others, ['type' => 'link', 'attrs' => $link]];
    }

    /** @return array<string, string> */
    private function target(string $href): array
    {
        if (preg_match('/^(page|file|wanted):(?:([^?#]*))(.*)$/sD', $href, $named) === 1) {
            return [$named[1] => rawurldecode($named[2]), 'rest' => $named[3]];
        }
        $page = $href === '' ? null : ($this->pageAt)($href);

        return $page === null ? ['href' => $href] : ['page' => $page, 'rest' => OwnAddress::rest($href)];
    }
}
