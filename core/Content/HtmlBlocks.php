<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

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
     */
    public function __construct(\Closure $pageAt, private \Closure $pictureAt)
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
            $line = HtmlLine::trimmed($line);
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
        $name = (string) $element->localName;
        if (isset(self::HEADINGS[$name])) {
            return self::filled(['type' => 'heading', 'attrs' => ['level' => self::HEADINGS[$name]]], HtmlLine::trimmed($this->line->within($element)));
        }

        return match ($name) {
            'ul', 'ol' => $this->list($element, $name === 'ul' ? 'bulletList' : 'orderedList'),
            'blockquote' => self::filled(['type' => 'blockquote'], $this->of($element)),
            'table' => (new HtmlTable($this))->blocks($element),
            'hr' => [['type' => 'divider']],
            'pre' => self::filled(['type' => 'codeBlock'], self::code($element)),
            'details' => $this->fold($element),
            'figure' => $this->figure($element),
            'img' => $this->picture($element, ''),
            default => $this->of($element),
        };
    }

    /** @return list<array<string, mixed>> */
    private function list(\DOMElement $element, string $type): array
    {
        $items = [];
        foreach ($element->childNodes as $item) {
            if (! $item instanceof \DOMElement) {
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

        return self::filled(['type' => $type], array_map(static fn (array $content): array => ['type' => 'listItem', 'content' => $content], $items));
    }

    /** @return list<array<string, mixed>> */
    private function fold(\DOMElement $element): array
    {
        $question = [];
        foreach ($element->childNodes as $child) {
            if ($child instanceof \DOMElement && $child->localName === 'summary') {
                $question = HtmlLine::trimmed($this->line->within($child));
                $element->removeChild($child);
                break;
            }
        }
        $answer = $this->of($element);

        return $question === []
            ? $answer
            : [['type' => 'fold', 'content' => [['type' => 'foldQuestion', 'content' => $question], ['type' => 'foldAnswer', 'content' => $answer]]]];
    }

    /** @return list<array<string, mixed>> */
    private function figure(\DOMElement $element): array
    {
        $images = $element->getElementsByTagName('img');
        $captions = $element->getElementsByTagName('figcaption');
        $image = $images->item(0);
        if ($images->length !== 1 || ! $image instanceof \DOMElement || $element->getElementsByTagName('table')->length > 0) {
            return $this->of($element);
        }
        $picture = $this->picture($image, trim((string) preg_replace('/\s+/u', ' ', $captions->item(0)->textContent ?? '')));

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
        return [['type' => 'picture', 'attrs' => ['file' => $file, 'alt' => $alt === '' ? $caption : $alt, 'decorative' => false, 'caption' => $caption]]];
    }

    /** @return list<array<string, mixed>> */
    private static function code(\DOMElement $element): array
    {
        $text = rtrim($element->textContent, "\n");

        return trim($text) === '' ? [] : [['type' => 'text', 'text' => $text]];
    }

    /**
     * @param  array<string, mixed>  $block
     * @param  list<array<string, mixed>>  $content
     * @return list<array<string, mixed>> nothing where nothing is in it
     */
    private static function filled(array $block, array $content): array
    {
        return $content === [] ? [] : [$block + ['content' => $content]];
    }
}
