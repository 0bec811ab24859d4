<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Pages;

use Heronstem\Core\OneLine;

/**
 * What repeats on the pages of a site. Every element with text is counted by what it is and says, once a page; where the same
 * stands on enough pages it belongs to the site rather than to the page. Menus mark the page that one is on, so of a list of links
 * only the links count.
 */
final class RepeatedParts
{
    /** Share of the pages on which something has to stand to be the site's. */
    private const SHARE = 0.4;

    /** Fewest pages from which anything can be learnt by comparing. */
    private const FEWEST = 3;

    /** Deepest nesting that is looked into. */
    private const MAX_DEPTH = 150;

    /** Never part of what a page says, on one page as on many. */
    private const NEVER = [
        'script',
        'style',
        'noscript',
        'template',
        'nav',
        'iframe',
        'form',
        'svg',
        'head',
        'dialog',
        'button',
        'select',
        'input',
        'textarea',
    ];

    /** What is looked at as one part. */
    private const PARTS = [
        'div',
        'section',
        'header',
        'footer',
        'aside',
        'ul',
        'ol',
        'p',
        'table',
        'nav',
        'h2',
        'h3',
        'h4',
        'dl',
        'address',
        'figure',
        'article',
        'main',
        'li',
        'a',
        'img',
    ];

    /** Bytes of text from which on a part is the page rather than a part of it. */
    private const LARGEST = 20_000;

    private int $pages = 0;

    /** @var array<string, int> pages on which a part stands, by its print */
    private array $counts = [];

    /** @var array<string, array{FoundMenu, int}> by its print */
    private array $menus = [];

    /** @var array<string, int> ends of titles */
    private array $ends = [];

    public function count(\DOMDocument $document): void
    {
        $this->pages++;
        $seen = $menus = [];
        $body = $document->getElementsByTagName('body')->item(0);
        if ($body !== null) {
            $this->look($body, 0, $seen, $menus);
        }
        foreach (array_keys($seen) as $print) {
            $this->counts[$print] = ($this->counts[$print] ?? 0) + 1;
        }
        foreach ($menus as $print => $menu) {
            $this->menus[$print] = [$menu, ($this->menus[$print][1] ?? 0) + 1];
        }
        $title = $document->getElementsByTagName('title')->item(0);
        if ($title !== null && preg_match('/\s[|·–—:»-]\s([^|·–—»]+)$/u', OneLine::typed($title->textContent), $of) === 1) {
            $this->ends[$of[1]] = ($this->ends[$of[1]] ?? 0) + 1;
        }
        // What stands on one page alone will rarely repeat; without this a large site would be kept whole.
        if (count($this->counts) > 400_000) {
            $this->counts = array_filter($this->counts, static fn (int $count): bool => $count > 1);
        }
    }

    /** Removes what is the site's from a page. */
    public function takeOut(\DOMElement $body): void
    {
        $this->strip($body, 0);
    }

    /** A title without what ends the titles of most pages: the site's name. */
    public function shortened(string $title): string
    {
        if (preg_match('/^(.*\S)\s[|·–—:»-]\s([^|·–—»]+)$/u', $title, $of) === 1 && $this->isCommon($this->ends[$of[2]] ?? 0)) {
            return $of[1];
        }

        return $title;
    }

    /** @return list<FoundMenu> that stand on most pages, with the most links first; of one that is inside another only the other */
    public function menus(): array
    {
        $common = array_values(
            array_map(
                static fn (array $of): FoundMenu => $of[0],
                array_filter($this->menus, fn (array $of): bool => $this->pages < self::FEWEST || $this->isCommon($of[1])),
            ),
        );
        usort($common, static fn (FoundMenu $a, FoundMenu $b): int => count($b->links) <=> count($a->links));
        $kept = [];
        $covered = [];
        foreach ($common as $menu) {
            $keys = array_map(static fn (array $link): string => $link['href']."\n".$link['label'], $menu->links);
            if (array_diff($keys, $covered) !== []) {
                $kept[] = $menu;
                array_push($covered, ...$keys);
            }
        }

        return array_slice($kept, 0, 8);
    }

    private function isCommon(int $count): bool
    {
        return $this->pages >= self::FEWEST && $count >= 2 && $count >= $this->pages * self::SHARE;
    }

    /**
     * @param  array<string, true>  $seen
     * @param  array<string, FoundMenu>  $menus
     */
    private function look(\DOMElement $element, int $depth, array &$seen, array &$menus): void
    {
        if ($depth > self::MAX_DEPTH) {
            return;
        }
        foreach ($element->childNodes as $child) {
            if (! ($child instanceof \DOMElement)) {
                continue;
            }
            $name = (string) $child->localName;
            if ($name === 'script' || $name === 'style' || $name === 'template') {
                continue;
            }
            $menu = $name === 'nav' || $name === 'ul' ? self::menu($child) : null;
            if (in_array($name, self::PARTS, true)) {
                $print = self::printOf($child);
                $seen[$print] = true;
                if ($menu !== null) {
                    $menus[$print] ??= $menu;
                }
            }
            if ($menu === null) {
                $this->look($child, $depth + 1, $seen, $menus);
            }
        }
    }

    private function strip(\DOMElement $element, int $depth): void
    {
        foreach (iterator_to_array($element->childNodes) as $child) {
            if ($child instanceof \DOMComment) {
                $element->removeChild($child);
            } elseif ($child instanceof \DOMElement) {
                $name = (string) $child->localName;
                $isSite =
                    in_array($name, self::NEVER, true) ||
                    $depth > self::MAX_DEPTH ||
                    $this->isPageFrame($child) ||
                    (in_array($name, self::PARTS, true) && ! self::isInSentence($child) && $this->isCommon($this->counts[self::printOf($child)] ?? 0));
                $isSite ? $element->removeChild($child) : $this->strip($child, $depth + 1);
            }
        }
    }

    /** A link with words around it: taken away, it would leave a hole in what the page says. */
    private static function isInSentence(\DOMElement $element): bool
    {
        $isText = static fn (?\DOMNode $node): bool => $node instanceof \DOMText && preg_match('/\p{L}/u', $node->data) === 1;

        return $element->localName === 'a' && ($isText($element->previousSibling) || $isText($element->nextSibling));
    }

    /** Head and foot of the page, rather than of a part of it. */
    private function isPageFrame(\DOMElement $element): bool
    {
        if (
            ! in_array($element->localName, ['header', 'footer'], true) &&
            ! in_array($element->getAttribute('role'), ['banner', 'contentinfo', 'navigation', 'search'], true)
        ) {
            return false;
        }
        for ($above = $element->parentNode; $above instanceof \DOMElement; $above = $above->parentNode) {
            if (in_array($above->localName, ['main', 'article', 'section'], true)) {
                return false;
            }
        }

        // One that holds the heading of the page is not taken away for its name alone.
        return $element->getElementsByTagName('h1')->length === 0 || $element->localName === 'footer';
    }

    /** The same for the same part on two pages: what it is, and what it says; of links where they lead, as far as that does not depend on the page. */
    private static function printOf(\DOMElement $element): string
    {
        $text = $element->textContent;
        if (strlen($text) > self::LARGEST) {
            return '';
        }
        $text = OneLine::typed($text);
        $sources = [];
        foreach ($element->localName === 'img' ? [$element] : $element->getElementsByTagName('img') as $picture) {
            $sources[] = basename($picture->getAttribute('src'));
            if (count($sources) > 20) {
                break;
            }
        }

        return $text === '' && $sources === [] ? '' : md5($element->localName."\n".$text."\n".implode("\n", $sources), true);
    }

    private static function menu(\DOMElement $element): ?FoundMenu
    {
        $links = [];
        $linked = 0;
        $all = (new \DOMXPath($element->ownerDocument ?? new \DOMDocument()))->query('.//a[@href]', $element);
        if ($all === false || $all->length > 300) {
            return null;
        }
        foreach ($all as $link) {
            if (! ($link instanceof \DOMElement)) {
                continue;
            }
            $label = OneLine::typed($link->textContent);
            $href = trim($link->getAttribute('href'));
            if ($label === '' || $href === '' || str_starts_with($href, '#')) {
                continue;
            }
            $level = -1;
            for ($above = $link->parentNode; $above instanceof \DOMElement && $above !== $element->parentNode; $above = $above->parentNode) {
                $level += in_array($above->localName, ['ul', 'ol'], true) ? 1 : 0;
            }
            $links[] = ['label' => mb_substr($label, 0, 100), 'href' => $href, 'level' => min(5, max(0, $level))];
            $linked += mb_strlen($label);
        }
        // A list of links, not a text with links in it.
        $text = mb_strlen(OneLine::typed($element->textContent));

        return count($links) < 2 || $linked < 0.7 * $text
            ? null
            : new FoundMenu($element->getAttribute('aria-label') ?: $element->getAttribute('title'), $links);
    }
}
