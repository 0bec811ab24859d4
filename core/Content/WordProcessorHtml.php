<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

use Masterminds\HTML5;

/**
 * HTML as word processors put it on the clipboard, said in elements: what they say by styles alone (bold, italic, lists made
 * of paragraphs) becomes the element that means it, and what means nothing (a whole text in a bold that is none) goes.
 */
final class WordProcessorHtml
{
    public static function cleaned(string $html): string
    {
        if (! str_contains($html, 'style=')) {
            return $html;
        }
        $parser = new HTML5(['disable_html_ns' => true]);
        $fragment = $parser->loadHTMLFragment((string) preg_replace('/<!--.*?-->|<!\[[^>]*>/s', '', $html));
        $self = new self();
        $self->emphasis($fragment);
        $self->lists($fragment);

        return $parser->saveHTML($fragment);
    }

    private function emphasis(\DOMNode $parent): void
    {
        foreach (iterator_to_array($parent->childNodes) as $node) {
            if (! ($node instanceof \DOMElement)) {
                continue;
            }
            $this->emphasis($node);
            $style = strtolower($node->getAttribute('style'));
            if (in_array($node->localName, ['b', 'strong'], true) && preg_match('/font-weight:\s*(?:normal|400)\b/', $style) === 1) {
                $this->rename($node, 'span');
            } elseif ($node->localName === 'span') {
                $bold = preg_match('/font-weight:\s*(?:bold|[6-9]00)\b/', $style) === 1;
                $italic = preg_match('/font-style:\s*italic\b/', $style) === 1;
                $inner = $bold ? $this->rename($node, 'strong') : $node;
                if ($italic) {
                    $this->around($inner, 'em');
                }
            }
        }
    }

    /** Paragraphs that say of themselves that they are items of a list, with its level (`mso-list: l0 level2 lfo1`). */
    private function lists(\DOMNode $parent): void
    {
        /** @var list<\DOMElement> $open lists from the outermost to the innermost */
        $open = [];
        foreach (iterator_to_array($parent->childNodes) as $node) {
            if ($node instanceof \DOMText && trim($node->data) === '') {
                continue;
            }
            $style = $node instanceof \DOMElement ? $node->getAttribute('style') : '';
            if (! ($node instanceof \DOMElement) || preg_match('/mso-list:\s*l\d+\s+level(\d)/i', $style, $found) !== 1) {
                $open = [];
                if ($node instanceof \DOMElement) {
                    $this->lists($node);
                }

                continue;
            }
            $level = min(max(1, (int) $found[1]), count($open) + 1);
            $numbered = preg_match('/^\W*(?:\d+|[a-z]|[ivx]+)[.)]/i', trim($this->takeMark($node))) === 1;
            $open = array_slice($open, 0, $level);
            if (count($open) < $level) {
                $list = $this->document($node)->createElement($numbered ? 'ol' : 'ul');
                $outer = $open === [] ? null : $open[count($open) - 1];
                $outer === null ? $parent->insertBefore($list, $node) : ($outer->lastChild ?? $outer)->appendChild($list);
                $open[] = $list;
            }
            $item = $this->document($node)->createElement('li');
            $open[$level - 1]->appendChild($item);
            $item->appendChild($node);
        }
    }

    /** The bullet or number that stands at the beginning as text is taken out. */
    private function takeMark(\DOMElement $item): string
    {
        foreach ($item->getElementsByTagName('span') as $span) {
            if (
                str_contains(strtolower($span->getAttribute('style')), 'mso-list:ignore') ||
                str_contains(strtolower($span->getAttribute('style')), 'mso-list: ignore')
            ) {
                $mark = $span->textContent;
                $span->parentNode?->removeChild($span);

                return $mark;
            }
        }

        return '';
    }

    private function rename(\DOMElement $element, string $name): \DOMElement
    {
        $renamed = $this->document($element)->createElement($name);
        while ($element->firstChild !== null) {
            $renamed->appendChild($element->firstChild);
        }
        $element->parentNode?->replaceChild($renamed, $element);

        return $renamed;
    }

    private function around(\DOMElement $element, string $name): void
    {
        $outer = $this->document($element)->createElement($name);
        $element->parentNode?->replaceChild($outer, $element);
        $outer->appendChild($element);
    }

    private function document(\DOMElement $element): \DOMDocument
    {
        return $element->ownerDocument ?? throw new \LogicException('An element belongs to a document.');
    }
}
