<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

/** Renders a document to HTML in which nothing but the format's own elements can appear. */
final readonly class HtmlRenderer
{
    private const ELEMENTS = ['paragraph' => 'p', 'bulletList' => 'ul', 'orderedList' => 'ol', 'listItem' => 'li', 'blockquote' => 'blockquote'];

    public function __construct(private LinkTargets $targets, private Pictures $pictures)
    {
    }

    public function render(Document $document): string
    {
        // The first picture is likely in sight at once; only the others can wait.
        return (string) preg_replace('/ loading="lazy"/', '', $this->nodes($document->blocks), 1);
    }

    /** @param  list<array<string, mixed>>  $nodes */
    private function nodes(array $nodes): string
    {
        return implode('', array_map($this->node(...), $nodes));
    }

    /** @param  array<string, mixed>  $node */
    private function node(array $node): string
    {
        return match ($node['type']) {
            'text' => $this->text($node),
            'hardBreak' => '<br>',
            'picture' => $this->picture($node['attrs']),
            'heading' => $this->element('h'.$node['attrs']['level'], $this->nodes($node['content'])),
            'listItem' => $this->element('li', $this->itemContent($node['content'])),
            default => $this->element(self::ELEMENTS[$node['type']], $this->nodes($node['content'])),
        };
    }

    /** @param  list<array<string, mixed>>  $content */
    private function itemContent(array $content): string
    {
        // An item of one paragraph reads as a line, not as a paragraph with space around it.
        return count($content) === 1 && $content[0]['type'] === 'paragraph' ? $this->nodes($content[0]['content']) : $this->nodes($content);
    }

    private function element(string $name, string $inner): string
    {
        return $inner === '' ? '' : "<$name>$inner</$name>";
    }

    /** @param  array<string, mixed>  $node */
    private function text(array $node): string
    {
        $html = self::escape($node['text']);
        foreach ($node['marks'] ?? [] as $mark) {
            $html = match ($mark['type']) {
                'bold' => "<strong>$html</strong>",
                'italic' => "<em>$html</em>",
                default => $this->link($mark['attrs'], $html),
            };
        }

        return $html;
    }

    /** @param  array<string, string>  $attrs */
    private function link(array $attrs, string $html): string
    {
        $href = isset($attrs['page']) ? $this->targets->addressOf($attrs['page']) : $attrs['href'];

        return $href === null ? $html : '<a href="'.self::escape($href.($attrs['rest'] ?? '')).'">'.$html.'</a>';
    }

    /** @param  array<string, mixed>  $attrs */
    private function picture(array $attrs): string
    {
        $picture = $this->pictures->picture($attrs['file']);
        if ($picture === null) {
            return '';
        }
        $caption = $attrs['caption'] === '' ? '' : '<figcaption>'.self::escape($attrs['caption']).'</figcaption>';

        return sprintf(
            '<figure class="picture picture-%s picture-%d"><img src="%s" alt="%s" width="%d" height="%d" loading="lazy">%s</figure>',
            $attrs['align'],
            $attrs['width'],
            self::escape($picture->address),
            self::escape($attrs['alt']),
            $picture->width,
            $picture->height,
            $caption,
        );
    }

    private static function escape(string $text): string
    {
        return htmlspecialchars($text, ENT_QUOTES | ENT_SUBSTITUTE | ENT_HTML5, 'UTF-8');
    }
}
