<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

use Heronstem\Core\Content\Block\Attributes;

/** What text can be: bold, italic, code, raised, lowered, in a style of the design, or a link. Each once, in one order. */
final class Marks
{
    /** From the outermost element to the innermost. */
    private const ELEMENTS = [
        'link' => 'a',
        'style' => 'span',
        'bold' => 'strong',
        'italic' => 'em',
        'superscript' => 'sup',
        'subscript' => 'sub',
        'code' => 'code',
    ];

    /**
     * @return list<array<string, mixed>>
     *
     * @throws InvalidDocument
     */
    public static function read(mixed $marks, string $at): array
    {
        if (! is_array($marks) || ! array_is_list($marks)) {
            throw new InvalidDocument($at, 'Here belongs a list.');
        }
        $read = [];
        foreach ($marks as $i => $mark) {
            $type = is_array($mark) ? $mark['type'] ?? null : null;
            if (! is_string($type) || ! isset(self::ELEMENTS[$type])) {
                throw new InvalidDocument("$at.$i.type", 'Text can be '.implode(', ', array_keys(self::ELEMENTS)).'.', 'bold');
            }
            $attrs = is_array($mark['attrs'] ?? null) ? $mark['attrs'] : [];
            $read[$type] = ['type' => $type] + self::attrs($type, new Attributes($attrs, "$at.$i.attrs"));
        }

        $order = array_flip(array_keys(self::ELEMENTS));
        uksort($read, static fn (string $one, string $other): int => $order[$one] <=> $order[$other]);

        return array_values($read);
    }

    /**
     * The text with its marks as elements around it; a link is left out.
     *
     * @param  list<array<string, mixed>>  $marks
     */
    public static function html(array $marks, string $html): string
    {
        return self::around($marks, $html, 'class="style-%s"');
    }

    /**
     * The same for whoever edits it as HTML.
     *
     * @param  list<array<string, mixed>>  $marks
     */
    public static function source(array $marks, string $html): string
    {
        return self::around($marks, $html, 'data-text-style="%s"');
    }

    /**
     * @param  list<array<string, mixed>>  $marks
     * @return array<string, mixed>|null
     */
    public static function link(array $marks): ?array
    {
        foreach ($marks as $mark) {
            if ($mark['type'] === 'link') {
                return $mark['attrs'];
            }
        }

        return null;
    }

    /**
     * @param  list<array<string, mixed>>  $marks
     * @param  string  $style  the attribute that says a style of the design, with %s for its name
     */
    private static function around(array $marks, string $html, string $style): string
    {
        foreach (array_reverse($marks) as $mark) {
            $element = self::ELEMENTS[$mark['type']];
            $html = match ($mark['type']) {
                'link' => $html,
                'style' => '<span '.sprintf($style, $mark['attrs']['name']).">$html</span>",
                default => "<$element>$html</$element>",
            };
        }

        return $html;
    }

    /** @return array{attrs?: array<string, mixed>} */
    private static function attrs(string $type, Attributes $attributes): array
    {
        if ($type === 'link') {
            return ['attrs' => LinkAttributes::read($attributes)];
        }
        if ($type !== 'style') {
            return [];
        }
        $name = $attributes->needed('name', 'Say which style of the design.', 40);

        return [
            'attrs' => [
                'name' => preg_match('/^[a-z][a-z0-9-]*$/D', $name) === 1
                        ? $name
                        : throw $attributes->refusal('name', 'A style is one of the names of the design.'),
            ],
        ];
    }
}
