<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

/** What HTML says and the format cannot hold. */
final class HtmlLosses
{
    /** Elements that become blocks or marks, or whose content is taken without them and nothing is lost. */
    private const KEPT = 'p h2 h3 h4 ul ol li blockquote hr pre code details summary table caption thead tbody tfoot tr td th div section article main header footer aside nav figure figcaption img a strong b em i sup sub kbd br span';

    /** Attributes that mean something, by element; those under * on any. */
    private const ATTRIBUTES = [
        '*' => ['id', 'data-block', 'data-attrs', 'data-style', 'data-hidden'],
        'a' => ['href', 'title', 'target', 'rel'],
        'img' => ['src', 'srcset', 'sizes', 'alt', 'width', 'height', 'loading'],
        'table' => ['data-head-row', 'data-head-column'],
        'th' => ['scope', 'colspan'],
        'td' => ['colspan'],
        'span' => ['data-text-style'],
        'details' => ['open'],
        'pre' => ['tabindex'],
    ];

    /** Elements that go with all that is in them. */
    private const GONE = [
        'script',
        'style',
        'template',
        'iframe',
        'object',
        'embed',
        'noscript',
        'svg',
        'math',
        'video',
        'audio',
        'head',
        'title',
        'link',
        'meta',
    ];

    /** Other headings become the nearest level. */
    private const CHANGED = ['h1' => 'h2', 'h5' => 'h4', 'h6' => 'h4'];

    /** @var array<string, int> */
    private array $lost = [];

    /** @var array<string, true> */
    private readonly array $kept;

    private function __construct()
    {
        $this->kept = array_fill_keys(explode(' ', self::KEPT), true);
    }

    /**
     * What is lost, each with how often. What must not become text, like a script, is taken out of the nodes.
     *
     * @return list<string>
     */
    public static function takenOut(\DOMNode $nodes): array
    {
        $losses = new self();
        $losses->walk($nodes);
        $said = [];
        foreach ($losses->lost as $what => $times) {
            $said[] = $times === 1 ? $what : "$what ($times times)";
        }

        return $said;
    }

    private function walk(\DOMNode $parent): void
    {
        foreach (iterator_to_array($parent->childNodes) as $node) {
            if ($node instanceof \DOMComment) {
                $this->note('a comment');
            }
            if (! ($node instanceof \DOMElement)) {
                continue;
            }
            $name = (string) $node->localName;
            if (in_array($name, self::GONE, true)) {
                $this->note("<$name> with what is in it");
                $parent->removeChild($node);

                continue;
            }
            if (isset(self::CHANGED[$name])) {
                $this->note("<$name>, which becomes <".self::CHANGED[$name].'>');
            } elseif (! isset($this->kept[$name])) {
                $this->note("<$name>, of which the text stays");
            }
            $this->attributes($node, $name);
            $this->walk($node);
        }
    }

    private function attributes(\DOMElement $element, string $name): void
    {
        foreach ($element->attributes as $attribute) {
            $known = [...self::ATTRIBUTES['*'], ...self::ATTRIBUTES[$name] ?? []];
            if (! in_array($attribute->nodeName, $known, true)) {
                $this->note("the attribute {$attribute->nodeName} of <$name>");
            }
        }
    }

    private function note(string $what): void
    {
        $this->lost[$what] = ($this->lost[$what] ?? 0) + 1;
    }
}
