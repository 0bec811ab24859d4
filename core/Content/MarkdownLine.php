<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

/** One line of text in Markdown's signs. Where a sign could be read in two ways, the element of HTML stands instead. */
final readonly class MarkdownLine
{
    public function __construct(private HtmlSource $html)
    {
    }

    /** @param  list<array<string, mixed>>  $pieces */
    public function of(array $pieces): string
    {
        $line = '';
        foreach ($pieces as $i => $piece) {
            $next = $pieces[$i + 1]['text'] ?? '';
            $written = $piece['type'] === 'hardBreak' ? '<br>' : $this->piece($piece, $line, $next);
            // An exclamation mark before a link would make a picture of it.
            $line = str_starts_with($written, '[') && str_ends_with($line, '!') ? substr($line, 0, -1).'\\!'.$written : $line.$written;
        }
        $line = trim((string) preg_replace('/[ \t\r\n\f]+/', ' ', $line), ' ');

        return (string) preg_replace(['/^([#>+=~:-])/', '/^(\d{1,9})([.)])/'], ['\\\\$1', '$1\\\\$2'], $line);
    }

    /** @param  array<string, mixed>  $piece */
    private function piece(array $piece, string $before, string $next): string
    {
        $marks = $piece['marks'] ?? [];
        $link = Marks::link($marks);
        $inner = $link === null ? $marks : array_values(array_filter($marks, static fn (array $mark): bool => $mark['type'] !== 'link'));
        $text = $this->marked($inner, $piece['text'], $before, $next);

        return $link === null ? $text : $this->link($link, $text);
    }

    /** @param  list<array<string, mixed>>  $marks */
    private function marked(array $marks, string $text, string $before, string $next): string
    {
        $types = array_column($marks, 'type');
        $sign = match ($types) {
            ['bold'] => '**',
            ['italic'] => '*',
            ['code'] => '`',
            default => null,
        };
        // A sign is sure of itself between a space or an end on one side, and a letter or figure on the other.
        $stands = preg_match('/(?:^| )$/D', $before) === 1 && preg_match('/^(?: |$)/', $next) === 1;
        $holds = preg_match('/^[A-Za-z0-9](?:[^`]*[A-Za-z0-9])?$/D', $text) === 1;

        return match (true) {
            $types === [] => self::escaped($text),
            $sign === '`' && $holds && $stands => "`$text`",
            $sign !== null && $sign !== '`' && $holds && $stands => $sign.self::escaped($text).$sign,
            default => Marks::source($marks, self::escaped($text)),
        };
    }

    /** @param  array<string, mixed>  $link */
    private function link(array $link, string $text): string
    {
        $href = $this->html->href($link);
        $isPlain = ! isset($link['newWindow']) && ! str_contains($link['title'] ?? '', '"') && preg_match('/^[^\s()<>\\\\&*_`\[\]]+$/D', $href) === 1;
        if (! $isPlain || str_contains($link['title'] ?? '', '\\') || str_contains($link['title'] ?? '', '&') || trim($text) === '') {
            return $this->html->link($link, $text);
        }

        return "[$text]($href".(isset($link['title']) ? " \"{$link['title']}\"" : '').')';
    }

    private static function escaped(string $text): string
    {
        $text = (string) preg_replace('/([\\\\`*_\[\]~|])/', '\\\\$1', $text);

        return (string) preg_replace(['/&(?=[A-Za-z#])/', '/</'], ['&amp;', '&lt;'], $text);
    }
}
