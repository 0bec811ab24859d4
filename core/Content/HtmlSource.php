<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

/**
 * A document as HTML to be looked at and edited: plain elements where HTML has them, and `data-` attributes for what only the
 * format knows, so that reading it back gives the same document. Spaces beside spaces count as one, as in all HTML.
 */
final readonly class HtmlSource
{
    /** Attributes that stand as such on their element, or that are made of the elements inside. */
    private const SAID = ['anchor', 'style', 'hidden', 'level', 'caption', 'headRow', 'headColumn', 'open'];

    /** @param  \Closure(string): ?string  $addressOf  the address of a page, seen by visitors or not */
    public function __construct(private \Closure $addressOf)
    {
    }

    public function write(Document $document): string
    {
        return $this->blocks($document->blocks, '');
    }

    /** @param  list<array<string, mixed>>  $blocks */
    public function blocks(array $blocks, string $indent): string
    {
        return implode('', array_map(fn (array $block): string => $this->block($block, $indent), $blocks));
    }

    /** @param  list<array<string, mixed>>  $pieces */
    public function inline(array $pieces): string
    {
        $html = '';
        foreach ($pieces as $piece) {
            $html .= $piece['type'] === 'hardBreak' ? '<br>' : $this->text($piece);
        }

        return $html;
    }

    /** @param  array<string, mixed>  $link */
    public function link(array $link, string $inner): string
    {
        $title = isset($link['title']) ? ' title="'.HtmlWriter::escape($link['title']).'"' : '';
        $window = isset($link['newWindow']) ? ' target="_blank"' : '';

        return '<a href="'.HtmlWriter::escape($this->href($link)).'"'.$title.$window.'>'.$inner.'</a>';
    }

    /** @param  array<string, mixed>  $link */
    public function href(array $link): string
    {
        return match (true) {
            isset($link['page']) => (($this->addressOf)($link['page']) ?? 'page:'.$link['page']).($link['rest'] ?? ''),
            isset($link['file']) => 'file:'.$link['file'],
            isset($link['wanted']) => 'wanted:'.rawurlencode($link['wanted']),
            default => $link['href'],
        };
    }

    /** @param  array<string, mixed>  $block */
    private function block(array $block, string $indent): string
    {
        $own = self::own($block['attrs'] ?? []);
        $more = "$indent  ";

        return $indent.
            match ($block['type']) {
                'paragraph' => "<p$own>".$this->inline($block['content']).'</p>',
                'heading' => sprintf('<h%d%s>%s</h%1$d>', $block['attrs']['level'], $own, $this->inline($block['content'])),
                'bulletList', 'orderedList' => $this->list($block, $own, $indent),
                'blockquote' => $this->around('blockquote', $own, $this->blocks($block['content'], $more), $indent),
                'divider' => "<hr$own>",
                'codeBlock' => "<pre$own>\n".HtmlWriter::escape($block['content'][0]['text'] ?? '').'</pre>',
                'fold' => $this->around(
                    'details',
                    $own.($block['attrs']['open'] ? ' open' : ''),
                    "$more<summary>".
                        $this->inline($block['content'][0]['content']).
                        "</summary>\n".
                        $this->blocks($block['content'][1]['content'], $more),
                    $indent,
                ),
                'table' => $this->table($block, $own, $indent),
                'columns', 'callout' => $this->around(
                    'div',
                    ' data-block="'.$block['type'].'"'.self::attrs($block['attrs']).$own,
                    $block['type'] === 'callout'
                        ? $this->blocks($block['content'], $more)
                        : implode(
                            '',
                            array_map(
                                fn (array $column): string => $more.
                                    $this->around('div', ' data-block="column"', $this->blocks($column['content'], "$more  "), $more).
                                    "\n",
                                $block['content'],
                            ),
                        ),
                    $indent,
                ),
                default => '<div data-block="'.$block['type'].'"'.self::attrs($block['attrs'] ?? []).$own.'></div>',
            }.
            "\n";
    }

    /** @param  array<string, mixed>  $block */
    private function list(array $block, string $own, string $indent): string
    {
        $items = '';
        foreach ($block['content'] as $item) {
            $content = $item['content'];
            $isLine = count($content) === 1 && $content[0]['type'] === 'paragraph' && ! isset($content[0]['attrs']);
            $inner = $isLine ? $this->inline($content[0]['content']) : '';
            // An empty item would be taken for none.
            $items .=
                "$indent  ".
                ($inner !== '' ? "<li>$inner</li>" : $this->around('li', '', $this->blocks($content, "$indent    "), "$indent  ")).
                "\n";
        }

        return $this->around($block['type'] === 'bulletList' ? 'ul' : 'ol', $own, $items, $indent);
    }

    /** @param  array<string, mixed>  $block */
    private function table(array $block, string $own, string $indent): string
    {
        ['caption' => $caption, 'headRow' => $headRow, 'headColumn' => $headColumn] = $block['attrs'];
        $rows = $caption === '' ? '' : "$indent  <caption>".HtmlWriter::escape($caption)."</caption>\n";
        foreach ($block['content'] as $i => $row) {
            $rows .= "$indent  <tr>";
            foreach ($row['content'] as $j => $cell) {
                $element = ($headRow && $i === 0) || ($headColumn && $j === 0) ? 'th' : 'td';
                $content = $cell['content'];
                $isLine =
                    count($content) === 1 && $content[0]['type'] === 'paragraph' && ! isset($content[0]['attrs']) && $content[0]['content'] !== [];
                $rows .= "<$element>".($isLine ? $this->inline($content[0]['content']) : trim($this->blocks($content, '')))."</$element>";
            }
            $rows .= "</tr>\n";
        }
        // What the cells alone do not tell for sure, of a table of one row or column, is said.
        $heads = ($headRow ? ' data-head-row' : '').($headColumn ? ' data-head-column' : '');

        return $this->around('table', $own.$heads, $rows, $indent);
    }

    private function around(string $element, string $attributes, string $inner, string $indent): string
    {
        return "<$element$attributes>".($inner === '' ? '' : "\n$inner$indent")."</$element>";
    }

    /** @param  array<string, mixed>  $piece */
    private function text(array $piece): string
    {
        $marks = $piece['marks'] ?? [];
        $inner = Marks::source($marks, HtmlWriter::escape($piece['text']));
        $link = Marks::link($marks);

        return $link === null ? $inner : $this->link($link, $inner);
    }

    /** @param  array<string, mixed>  $attrs */
    private static function own(array $attrs): string
    {
        return (isset($attrs['anchor']) ? ' id="'.HtmlWriter::escape($attrs['anchor']).'"' : '').
            (isset($attrs['style']) ? ' data-style="'.$attrs['style'].'"' : '').
            (isset($attrs['hidden']) ? ' data-hidden' : '');
    }

    /** @param  array<string, mixed>  $attrs */
    private static function attrs(array $attrs): string
    {
        $rest = array_diff_key($attrs, array_flip(self::SAID));
        if (isset($attrs['caption']) && (isset($attrs['file']) || isset($attrs['address']))) {
            $rest['caption'] = $attrs['caption'];
        }

        return $rest === []
            ? ''
            : " data-attrs='".
                    str_replace(
                        "'",
                        '&#39;',
                        htmlspecialchars((string) json_encode($rest, JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE), ENT_NOQUOTES | ENT_HTML5),
                    ).
                    "'";
    }
}
