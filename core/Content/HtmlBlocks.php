<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

use Heronstem\Core\OneLine;

/** Blocks from the elements of sanitised HTML; what the format has no block for gives what is in it. */
final readonly class HtmlBlocks
{
    private const HEADINGS = ['h1' => 2, 'h2' => 2, 'h3' => 3, 'h4' => 4, 'h5' => 4, 'h6' => 4];

    private const BLOCKS = 'p div section article aside nav ul ol li dl dt dd blockquote h1 h2 h3 h4 h5 h6 pre figure figcaption table thead tbody tfoot tr td th caption main header footer details summary hr img address form fieldset';

    private HtmlLine $line;

    /** @var array<string, true> */
    private array $isBlock;

    /**
     * @param  \Closure(string): ?string  $pageAt  the identity of the page at an address of the site, if any
     * @param  \Closure(string): ?string  $pictureAt  the identity of the picture at an address, if any
     * @param  bool  $isSource  whether it may be what HtmlSource wrote, whose attributes then mean what they say
     */
    public function __construct(\Closure $pageAt, private \Closure $pictureAt, private bool $isSource = false)
    {
        $this->line = new HtmlLine($pageAt);
        $this->isBlock = array_fill_keys(explode(' ', self::BLOCKS), true);
    }

    /** @return list<array<string, mixed>> */
    public function of(\DOMNode $parent): array
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
            if ($node instanceof \DOMElement && (isset($this->isBlock[(string) $node->localName]) || $this->holdsBlocks($node))) {
                $close();
                array_push($blocks, ...$this->block($node));
            } else {
                array_push($line, ...$this->line->of($node));
            }
        }
        $close();

        return $blocks;
    }

    /** Word processors set whole texts in one bold or link that means nothing. */
    private function holdsBlocks(\DOMElement $element): bool
    {
        foreach ($element->childNodes as $child) {
            if ($child instanceof \DOMElement && isset($this->isBlock[(string) $child->localName])) {
                return true;
            }
        }

        return false;
    }

    /** @return list<array<string, mixed>> */
    private function block(\DOMElement $element): array
    {
        $blocks = $this->kindOf($element);
        $own = $this->isSource ? self::own($element) : [];

        return $own === [] || count($blocks) !== 1 ? $blocks : [['attrs' => ($blocks[0]['attrs'] ?? []) + $own] + $blocks[0]];
    }

    /** @return list<array<string, mixed>> */
    private function kindOf(\DOMElement $element): array
    {
        $name = (string) $element->localName;
        if ($this->isSource && $element->hasAttribute('data-block')) {
            return [$this->named($element, $element->getAttribute('data-block'))];
        }
        if ($this->isSource && $name === 'p') {
            return [['type' => 'paragraph', 'content' => $this->trimmed($this->line->within($element))]];
        }
        if (isset(self::HEADINGS[$name])) {
            return $this->filled(['type' => 'heading', 'attrs' => ['level' => self::HEADINGS[$name]]], $this->trimmed($this->line->within($element)));
        }

        return match ($name) {
            'ul', 'ol' => $this->list($element, $name === 'ul' ? 'bulletList' : 'orderedList'),
            'blockquote' => $this->filled(['type' => 'blockquote'], $this->of($element)),
            'table' => (new HtmlTable($this, $this->isSource))->blocks($element),
            'hr' => [['type' => 'divider']],
            'pre' => $this->filled(['type' => 'codeBlock'], $this->code($element)),
            'details' => $this->fold($element),
            'figure' => $this->figure($element),
            'img' => $this->picture($element, ''),
            default => $this->of($element),
        };
    }

    /** @return array<string, mixed> */
    private function named(\DOMElement $element, string $type): array
    {
        $attrs = json_decode($element->getAttribute('data-attrs') ?: '{}', true, 16);

        return ['type' => $type, 'attrs' => is_array($attrs) ? $attrs : []] +
            match ($type) {
                'columns' => ['content' => $this->columns($element)],
                'callout' => ['content' => $this->of($element)],
                default => [],
            };
    }

    /** @return list<array<string, mixed>> */
    private function columns(\DOMElement $element): array
    {
        $columns = [];
        foreach ($element->childNodes as $child) {
            if ($child instanceof \DOMElement) {
                $columns[] = ['type' => 'column', 'content' => $this->of($child)];
            }
        }

        return $columns;
    }

    /** @return array<string, mixed> what every block may carry */
    private static function own(\DOMElement $element): array
    {
        return array_filter([
            'anchor' => $element->getAttribute('id'),
            'style' => $element->getAttribute('data-style'),
            'hidden' => $element->hasAttribute('data-hidden'),
        ]);
    }

    /** @return list<array<string, mixed>> */
    private function list(\DOMElement $element, string $type): array
    {
        $items = [];
        foreach ($element->childNodes as $item) {
            if (! ($item instanceof \DOMElement)) {
                continue;
            }
            // Word processors put an inner list beside the item that it belongs to, not into it.
            $isInner = in_array($item->localName, ['ul', 'ol'], true);
            $content = $isInner ? $this->block($item) : $this->of($item);
            if ($isInner && $items !== []) {
                $content = [...array_pop($items), ...$content];
            }
            if ($content !== []) {
                $items[] = $content;
            }
        }

        return $this->filled(['type' => $type], array_map(static fn (array $content): array => ['type' => 'listItem', 'content' => $content], $items));
    }

    /** @return list<array<string, mixed>> */
    private function fold(\DOMElement $element): array
    {
        $question = [];
        foreach ($element->childNodes as $child) {
            if ($child instanceof \DOMElement && $child->localName === 'summary') {
                $question = $this->trimmed($this->line->within($child));
                $element->removeChild($child);
                break;
            }
        }
        $answer = $this->of($element);

        return $question === [] && ! $this->isSource
            ? $answer
            : [
                [
                    'type' => 'fold',
                    'attrs' => ['open' => $element->hasAttribute('open')],
                    'content' => [['type' => 'foldQuestion', 'content' => $question], ['type' => 'foldAnswer', 'content' => $answer]],
                ],
            ];
    }

    /** @return list<array<string, mixed>> */
    private function figure(\DOMElement $element): array
    {
        $images = $element->getElementsByTagName('img');
        $captions = $element->getElementsByTagName('figcaption');
        $image = $images->item(0);
        if ($images->length !== 1 || ! ($image instanceof \DOMElement) || $element->getElementsByTagName('table')->length > 0) {
            return $this->of($element);
        }
        $picture = $this->picture($image, OneLine::of($captions->item(0)->textContent ?? ''));

        return $picture === [] ? $this->of($element) : $picture;
    }

    /** @return list<array<string, mixed>> */
    private function picture(\DOMElement $image, string $caption): array
    {
        $file = ($this->pictureAt)($image->getAttribute('src'));
        if ($file === null) {
            return [];
        }
        $alt = trim($image->getAttribute('alt'));

        // Without a text it waits for one: the writer is asked, and nothing is called decorative that nobody called so.
        return [
            ['type' => 'picture', 'attrs' => ['file' => $file, 'alt' => $alt === '' ? $caption : $alt, 'decorative' => false, 'caption' => $caption]],
        ];
    }

    /** @return list<array<string, mixed>> */
    private function code(\DOMElement $element): array
    {
        $text = $element->textContent;
        // CommonMark puts a line end behind the last line; HtmlSource one before the first.
        $ofMarkdown = $element->firstChild instanceof \DOMElement && $element->firstChild->localName === 'code';
        $text = $this->isSource ? (string) preg_replace($ofMarkdown ? '/\n$/D' : '/^\n/', '', $text) : rtrim($text, "\n");

        return $text === '' || (! $this->isSource && trim($text) === '') ? [] : [['type' => 'text', 'text' => $text]];
    }

    /**
     * @param  list<array<string, mixed>>  $line
     * @return list<array<string, mixed>>
     */
    private function trimmed(array $line): array
    {
        return HtmlLine::trimmed($line, $this->isSource);
    }

    /**
     * @param  array<string, mixed>  $block
     * @param  list<array<string, mixed>>  $content
     * @return list<array<string, mixed>> nothing where nothing is in it
     */
    private function filled(array $block, array $content): array
    {
        return $content === [] && ! $this->isSource ? [] : [$block + ['content' => $content]];
    }
}
