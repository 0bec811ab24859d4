<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

/** A document's text without marks, as visitors read it: blocks apart by line breaks; headings and captions left out. */
final class PlainText
{
    /** Blocks whose content is a line. */
    private const LINES = ['paragraph', 'foldQuestion', 'codeBlock'];

    public static function of(Document $document): string
    {
        return trim(implode("\n", self::blocks($document->blocks)));
    }

    /**
     * @param  list<array<string, mixed>>  $nodes
     * @return list<string>
     */
    private static function blocks(array $nodes): array
    {
        $lines = [];
        foreach ($nodes as $node) {
            if (isset($node['attrs']['hidden'])) {
                continue;
            }
            if (in_array($node['type'], self::LINES, true)) {
                $lines[] = self::line($node['content']);
            } elseif ($node['type'] !== 'heading' && isset($node['content'])) {
                array_push($lines, ...self::blocks($node['content']));
            }
        }

        return $lines;
    }

    /** @param  list<array<string, mixed>>  $inline  pieces of one line */
    public static function line(array $inline): string
    {
        return trim(implode('', array_map(static fn (array $node): string => $node['text'] ?? ' ', $inline)));
    }
}
