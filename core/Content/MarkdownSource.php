<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

/**
 * A document as Markdown (CommonMark 0.31 with tables as GitHub writes them): what Markdown has, in its signs; everything else
 * as blocks of HTML, which Markdown may hold, so that nothing is lost on the way back.
 */
final readonly class MarkdownSource
{
    private MarkdownLine $line;

    public function __construct(private HtmlSource $html)
    {
        $this->line = new MarkdownLine($html);
    }

    public function write(Document $document): string
    {
        return $this->blocks($document->blocks);
    }

    /** @param  list<array<string, mixed>>  $blocks */
    private function blocks(array $blocks): string
    {
        $pieces = [];
        $before = null;
        $other = false;
        foreach ($blocks as $block) {
            // Two lists after each other are told apart by their signs.
            $other = $block['type'] === $before && ! $other;
            $pieces[] = $this->block($block, $other);
            $before = $block['type'];
        }

        return $pieces === [] ? '' : implode("\n\n", $pieces)."\n";
    }

    /** @param  array<string, mixed>  $block */
    private function block(array $block, bool $otherSign): string
    {
        $own = array_intersect_key($block['attrs'] ?? [], ['hidden' => 1, 'anchor' => 1, 'style' => 1]);
        $written = $own === [] ? $this->sign($block, $otherSign) : null;

        return $written ?? self::embedded($this->html->blocks([$block], ''));
    }

    /**
     * @param  array<string, mixed>  $block
     * @return string|null null where Markdown has no sign for it
     */
    private function sign(array $block, bool $otherSign): ?string
    {
        $line = in_array($block['type'], ['paragraph', 'heading'], true) ? $this->line->of($block['content']) : '';

        return match ($block['type']) {
            'paragraph' => $line === '' ? null : $line,
            'heading' => $line === '' ? null : str_repeat('#', $block['attrs']['level']).' '.$line,
            'divider' => '---',
            'codeBlock' => $this->fence($block['content'][0]['text'] ?? ''),
            'blockquote' => $block['content'] === [] ? null : self::prefixed($this->blocks($block['content']), '> ', '> '),
            'bulletList' => $this->list($block['content'], static fn (): string => $otherSign ? '* ' : '- '),
            'orderedList' => $this->list($block['content'], static fn (int $i): string => $i + 1 .($otherSign ? ') ' : '. ')),
            'table' => $this->table($block),
            default => null,
        };
    }

    /**
     * @param  list<array<string, mixed>>  $items
     * @param  \Closure(int): string  $sign
     */
    private function list(array $items, \Closure $sign): ?string
    {
        $lines = [];
        foreach ($items as $i => $item) {
            $first = $item['content'][0] ?? null;
            if ($first === null || $first['type'] !== 'paragraph' || isset($first['attrs']) || $this->line->of($first['content']) === '') {
                return null;
            }
            $lines[] = self::prefixed($this->blocks($item['content']), $sign($i), str_repeat(' ', strlen($sign($i))));
        }
        $isTight = array_filter($items, static fn (array $item): bool => count($item['content']) > 1) === [];

        return $lines === [] ? null : implode($isTight ? "\n" : "\n\n", $lines);
    }

    /** @param  array<string, mixed>  $block */
    private function table(array $block): ?string
    {
        ['caption' => $caption, 'headRow' => $headRow, 'headColumn' => $headColumn] = $block['attrs'];
        if ($caption !== '' || ! $headRow || $headColumn) {
            return null;
        }
        $lines = [];
        foreach ($block['content'] as $row) {
            $cells = [];
            foreach ($row['content'] as $cell) {
                $text = $this->cell($cell['content']);
                if ($text === null) {
                    return null;
                }
                $cells[] = $text;
            }
            $lines[] = '| '.implode(' | ', $cells).' |';
        }
        array_splice($lines, 1, 0, ['|'.str_repeat(' --- |', count($block['content'][0]['content']))]);

        return implode("\n", $lines);
    }

    /** @param  list<array<string, mixed>>  $content */
    private function cell(array $content): ?string
    {
        if ($content === []) {
            return '';
        }
        $isLine = count($content) === 1 && $content[0]['type'] === 'paragraph' && ! isset($content[0]['attrs']);
        $text = $isLine ? $this->line->of($content[0]['content']) : '';

        return $text === '' ? null : str_replace('|', '\|', $text);
    }

    private function fence(string $text): ?string
    {
        preg_match_all('/`+/', $text, $runs);
        $fence = str_repeat('`', max(3, ...array_map(static fn (string $run): int => strlen($run) + 1, [...$runs[0], ''])));

        return $text === '' ? null : "$fence\n$text\n$fence";
    }

    /** A block of HTML ends at a blank line: there is none within it. */
    private static function embedded(string $html): string
    {
        return (string) preg_replace_callback(
            '#<pre([^>]*)>\n?(.*?)</pre>#s',
            static fn (array $pre): string => "<div><pre$pre[1]>".str_replace("\n", '&#10;', $pre[2]).'</pre></div>',
            trim($html),
        );
    }

    private static function prefixed(string $text, string $first, string $others): string
    {
        $lines = explode("\n", rtrim($text, "\n"));
        foreach ($lines as $i => $line) {
            $lines[$i] = $i === 0 ? $first.$line : ($line === '' ? rtrim($others) : $others.$line);
        }

        return implode("\n", $lines);
    }
}
