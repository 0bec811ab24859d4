<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

use Heronstem\Core\Linking\OwnAddress;
use Masterminds\HTML5;
use Symfony\Component\HtmlSanitizer\HtmlSanitizer;
use Symfony\Component\HtmlSanitizer\HtmlSanitizerConfig;

/** Turns HTML of any origin into a document: first sanitised, then only what the format knows is kept. */
final class PastedHtml
{
    /** Most bytes read of pasted HTML. */
    public const MAX_BYTES = 1_000_000;

    /** Deepest nesting read: word processors stay far below. */
    private const MAX_DEPTH = 100;

    /** Most elements read at once: taking them apart costs more than each alone. */
    private const MAX_ELEMENTS = 10_000;

    /** Elements that end by themselves, so that an open one is no level. */
    private const ENDS_ITSELF = '(?:area|base|br|col|embed|hr|img|input|link|meta|source|track|wbr|p|li|dt|dd|tr|td|th|thead|tbody|tfoot|option|optgroup|colgroup|caption)\b';

    private const HEADINGS = ['h1' => 2, 'h2' => 2, 'h3' => 3, 'h4' => 4, 'h5' => 4, 'h6' => 4];

    private const BLOCKS = [
        'p',
        'div',
        'section',
        'article',
        'ul',
        'ol',
        'li',
        'blockquote',
        'h1',
        'h2',
        'h3',
        'h4',
        'h5',
        'h6',
        'pre',
        'figure',
        'table',
        'thead',
        'tbody',
        'tr',
        'td',
        'th',
        'main',
        'header',
        'footer',
    ];

    private readonly HtmlSanitizer $sanitizer;

    /** @param  \Closure(string): ?string  $pageAt the identity of the page at an address of the site, if any */
    public function __construct(private readonly \Closure $pageAt)
    {
        $config = (new HtmlSanitizerConfig())
            ->allowSafeElements()
            ->blockElement('span')
            ->allowLinkSchemes(['http', 'https', 'mailto', 'tel'])
            ->allowRelativeLinks()
            ->withMaxInputLength(self::MAX_BYTES);
        $this->sanitizer = new HtmlSanitizer($config);
    }

    /** @throws InvalidDocument when it is nested too deeply, or has too many elements, to be the content of a page */
    public function read(string $html): Document
    {
        $this->guardSize($html);
        $dom = (new HTML5(['disable_html_ns' => true]))->loadHTMLFragment($this->sanitizer->sanitize($html));
        $blocks = $this->blocks($dom);

        return Document::read(['version' => Document::VERSION, 'type' => 'doc', 'content' => $blocks]);
    }

    private function guardSize(string $html): void
    {
        if (preg_match_all('#<[a-z]#i', $html) > self::MAX_ELEMENTS) {
            throw new InvalidDocument(
                'html',
                sprintf('What was pasted has more than %s elements. Paste it in pieces.', number_format(self::MAX_ELEMENTS)),
            );
        }
        $depth = 0;
        preg_match_all('#<(/?)(?!'.self::ENDS_ITSELF.')[a-z][^>]*?(/?)>#i', $html, $tags, PREG_SET_ORDER);
        foreach ($tags as [, $closes, $isEmpty]) {
            $depth += $closes === '/' ? -1 : ($isEmpty === '/' ? 0 : 1);
            $depth = max(0, $depth);
            if ($depth > self::MAX_DEPTH) {
                throw new InvalidDocument(
                    'html',
                    sprintf('What was pasted is nested more than %d levels deep. Paste it as plain text, or in pieces.', self::MAX_DEPTH),
                );
            }
        }
    }

    /**
     * @param  list<array<string, mixed>>  $marks
     * @return list<array<string, mixed>> with the mark, once
     */
    private static function marked(array $marks, string $type): array
    {
        return in_array($type, array_column($marks, 'type'), true) ? $marks : [...$marks, ['type' => $type]];
    }

    /** @return list<array<string, mixed>> */
    private function blocks(\DOMNode $parent): array
    {
        $blocks = [];
        $line = [];
        $close = function () use (&$blocks, &$line): void {
            $line = $this->trimmed($line);
            if ($line !== []) {
                $blocks[] = ['type' => 'paragraph', 'content' => $line];
            }
            $line = [];
        };
        foreach ($parent->childNodes as $node) {
            if ($node instanceof \DOMElement && in_array($node->localName, self::BLOCKS, true)) {
                $close();
                array_push($blocks, ...$this->block($node));
            } else {
                array_push($line, ...$this->inline($node, []));
            }
        }
        $close();

        return $blocks;
    }

    /** @return list<array<string, mixed>> */
    private function block(\DOMElement $element): array
    {
        $name = (string) $element->localName;
        if (isset(self::HEADINGS[$name])) {
            $content = $this->trimmed($this->inlineOf($element, []));

            return $content === [] ? [] : [['type' => 'heading', 'attrs' => ['level' => self::HEADINGS[$name]], 'content' => $content]];
        }
        if ($name === 'ul' || $name === 'ol') {
            $items = [];
            foreach ($element->childNodes as $item) {
                $content = $item instanceof \DOMElement ? $this->blocks($item) : [];
                if ($content !== []) {
                    $items[] = ['type' => 'listItem', 'content' => $content];
                }
            }

            return $items === [] ? [] : [['type' => $name === 'ul' ? 'bulletList' : 'orderedList', 'content' => $items]];
        }
        $inner = $this->blocks($element);

        return $name === 'blockquote' && $inner !== [] ? [['type' => 'blockquote', 'content' => $inner]] : $inner;
    }

    /**
     * @param  list<array<string, mixed>>  $marks
     * @return list<array<string, mixed>>
     */
    private function inline(\DOMNode $node, array $marks): array
    {
        if ($node instanceof \DOMText) {
            $text = (string) preg_replace('/\s+/u', ' ', $node->data);

            return $text === '' ? [] : [['type' => 'text', 'text' => $text] + ($marks === [] ? [] : ['marks' => $marks])];
        }
        if (! ($node instanceof \DOMElement)) {
            return [];
        }

        return match ($node->localName) {
            'br' => [['type' => 'hardBreak']],
            'strong', 'b' => $this->inlineOf($node, self::marked($marks, 'bold')),
            'em', 'i' => $this->inlineOf($node, self::marked($marks, 'italic')),
            'a' => $this->inlineOf($node, $this->linked($node, $marks)),
            default => $this->inlineOf($node, $marks),
        };
    }

    /**
     * @param  list<array<string, mixed>>  $marks
     * @return list<array<string, mixed>>
     */
    private function inlineOf(\DOMElement $element, array $marks): array
    {
        $pieces = [];
        foreach ($element->childNodes as $child) {
            array_push($pieces, ...$this->inline($child, $marks));
        }

        return $pieces;
    }

    /**
     * @param  list<array<string, mixed>>  $marks
     * @return list<array<string, mixed>>
     */
    private function linked(\DOMElement $anchor, array $marks): array
    {
        $href = trim($anchor->getAttribute('href'));
        $page = $href === '' ? null : ($this->pageAt)($href);
        $link = ['type' => 'link', 'attrs' => $page === null ? ['href' => $href] : ['page' => $page, 'rest' => OwnAddress::rest($href)]];
        try {
            $read = Document::read([
                'type' => 'doc',
                'content' => [['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => '.', 'marks' => [$link]]]]],
            ]);
        } catch (InvalidDocument) {
            return $marks; // a link that leads nowhere loses its mark, never its content
        }

        return [...$marks, $read->blocks[0]['content'][0]['marks'][0]];
    }

    /**
     * @param  list<array<string, mixed>>  $line
     * @return list<array<string, mixed>>
     */
    private function trimmed(array $line): array
    {
        $isBlank = static fn (array $piece): bool => $piece['type'] === 'text' && trim($piece['text']) === '';
        [$first, $behind] = [0, count($line)];
        while ($first < $behind && $isBlank($line[$first])) {
            $first++;
        }
        while ($behind > $first && $isBlank($line[$behind - 1])) {
            $behind--;
        }
        $line = array_slice($line, $first, $behind - $first);
        if ($line !== [] && $line[0]['type'] === 'text') {
            $line[0]['text'] = ltrim($line[0]['text']);
        }
        $last = count($line) - 1;
        if ($last >= 0 && $line[$last]['type'] === 'text') {
            $line[$last]['text'] = rtrim($line[$last]['text']);
        }

        return $line;
    }
}
