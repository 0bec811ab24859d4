<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Code;

use Heronstem\Core\InputRefused;
use Masterminds\HTML5;

/**
 * Lines that the owner of a site writes into the head of pages: meta, link, JSON-LD and scripts, each checked, and written out anew so
 * that nothing stands there but what was read. What browsers are allowed besides is told exactly (Content Security Policy Level 3).
 */
final readonly class HeadLines
{
    /** Longest text, characters. */
    public const LONGEST = 20_000;

    /** What the page says by itself. */
    private const OWN_META = ['description', 'robots', 'viewport', 'googlebot'];

    /** What links may be; none of these loads styles, or says what the page says by itself. */
    private const RELATIONS = [
        'alternate',
        'apple-touch-icon',
        'author',
        'dns-prefetch',
        'help',
        'icon',
        'license',
        'manifest',
        'me',
        'next',
        'preconnect',
        'prev',
        'search',
        'webmention',
    ];

    /** Of these relations the browser fetches what is linked, which stays on the site. */
    private const FETCHED = ['apple-touch-icon', 'icon', 'manifest'];

    private const SCRIPT_ATTRIBUTES = ['src', 'type', 'async', 'defer', 'integrity', 'crossorigin', 'nomodule', 'id'];

    /**
     * @param  string  $html  written out anew
     * @param  list<string>  $hashes  of scripts that are written here, as script-src names them
     * @param  list<string>  $scripts  addresses of scripts elsewhere
     * @param  list<string>  $hosts  origins that these scripts may talk to
     * @param  list<string>  $allows  what this lets browsers do, a sentence each
     */
    private function __construct(
        public string $html = '',
        public array $hashes = [],
        public array $scripts = [],
        public array $hosts = [],
        public array $allows = [],
    ) {
    }

    /** @throws InputRefused naming `head` */
    public static function of(string $given): self
    {
        if ($given === '') {
            return new self();
        }
        if (mb_strlen($given) > self::LONGEST) {
            throw new InputRefused('head', sprintf('At most %d characters fit here; these are %d.', self::LONGEST, mb_strlen($given)));
        }
        if (! mb_check_encoding($given, 'UTF-8') || preg_match('/[\x00-\x08\x0B\x0C\x0E-\x1F]/', $given) === 1) {
            throw new InputRefused('head', 'This contains characters that cannot be shown. Type it again.');
        }
        $lines = new self();
        foreach ((new HTML5())->loadHTMLFragment($given)->childNodes as $node) {
            $lines = match (true) {
                $node instanceof \DOMComment, $node instanceof \DOMText && trim((string) $node->nodeValue) === '' => $lines,
                $node instanceof \DOMElement => $lines->with($node),
                default => throw new InputRefused(
                    'head',
                    'Text has no place in the head of a page: “'.mb_substr(trim((string) $node->textContent), 0, 60).'”. It would be seen.',
                ),
            };
        }

        return $lines;
    }

    /** Of the whole site and of a page together. */
    public function and(self $other): self
    {
        return new self(
            $this->html.$other->html,
            array_values(array_unique([...$this->hashes, ...$other->hashes])),
            array_values(array_unique([...$this->scripts, ...$other->scripts])),
            array_values(array_unique([...$this->hosts, ...$other->hosts])),
            [...$this->allows, ...$other->allows],
        );
    }

    private function with(\DOMElement $element): self
    {
        return match (strtolower($element->tagName)) {
            'meta' => $this->meta($element),
            'link' => $this->link($element),
            'script' => $this->script($element),
            'style' => throw new InputRefused('head', 'Styles have a field of their own.'),
            'title' => throw new InputRefused('head', 'The title is set under Search.'),
            default => throw new InputRefused('head', "Only meta, link and script stand in the head; this is <{$element->tagName}>."),
        };
    }

    private function meta(\DOMElement $element): self
    {
        self::guardAttributes($element, ['name', 'property', 'itemprop', 'content', 'media']);
        $name = strtolower($element->getAttribute('name') ?: $element->getAttribute('property') ?: $element->getAttribute('itemprop'));
        if ($name === '' || ! $element->hasAttribute('content')) {
            throw new InputRefused('head', 'A meta line has a name (or property) and a content.');
        }
        if (in_array($name, self::OWN_META, true)) {
            throw new InputRefused('head', "“{$name}” is set under Search; twice it would contradict itself.");
        }

        return $this->written($element);
    }

    private function link(\DOMElement $element): self
    {
        self::guardAttributes($element, ['rel', 'href', 'type', 'title', 'hreflang', 'sizes', 'media', 'crossorigin', 'color']);
        $relations = preg_split('/\s+/', strtolower(trim($element->getAttribute('rel'))), -1, PREG_SPLIT_NO_EMPTY) ?: [];
        $unknown = array_diff($relations, self::RELATIONS);
        if ($relations === [] || $unknown !== []) {
            throw new InputRefused(
                'head',
                in_array('canonical', $unknown, true)
                    ? 'The canonical address is set under Search.'
                    : 'A link in the head is one of '.implode(', ', self::RELATIONS).'.',
            );
        }
        $href = trim($element->getAttribute('href'));
        $isOwn = OnSite::leads($href);
        $origin = self::origin($href);
        if (! $isOwn && ($origin === null || array_intersect($relations, self::FETCHED) !== [])) {
            throw new InputRefused(
                'head',
                $origin === null
                    ? "“{$href}” is no address: it begins with a slash, or with https://."
                    : "Upload what “{$href}” leads to, and link to it on this site: browsers fetch it with every page.",
            );
        }
        $connects = array_intersect($relations, ['preconnect', 'dns-prefetch']) !== [] && $origin !== null;

        return $this->written($element, allows: $connects ? ["Browsers make ready to talk to $origin."] : []);
    }

    private function script(\DOMElement $element): self
    {
        $data = array_map(
            static fn (\DOMAttr $each): string => $each->name,
            array_filter(iterator_to_array($element->attributes), static fn (\DOMAttr $each): bool => str_starts_with($each->name, 'data-')),
        );
        self::guardAttributes($element, [...self::SCRIPT_ATTRIBUTES, ...array_values($data)]);
        $type = strtolower(trim($element->getAttribute('type')));
        $text = $element->textContent;
        if ($type === 'application/ld+json') {
            return $this->linkedData($element, $text);
        }
        if (! in_array($type, ['', 'module', 'text/javascript', 'application/javascript'], true)) {
            throw new InputRefused('head', "A script of the type “{$type}” does nothing here. It is JavaScript, or application/ld+json.");
        }
        if (! $element->hasAttribute('src')) {
            if (trim($text) === '') {
                throw new InputRefused('head', 'This script is empty.');
            }
            // Where browsers would end it, or not end it, elsewhere than it was read here.
            if (preg_match('#</?script|<!--#i', $text) === 1) {
                throw new InputRefused(
                    'head',
                    'A script has neither <script nor </script nor <!-- inside. Write them in two parts: "</scr" + "ipt".',
                );
            }

            return $this->written(
                $element,
                hashes: ["'sha256-".base64_encode(hash('sha256', $text, true))."'"],
                allows: ['A script written here runs, '.mb_strlen(trim($text)).' characters long.'],
            );
        }
        $src = trim($element->getAttribute('src'));
        if (OnSite::leads($src)) {
            return $this->written($element, allows: ["The script $src of this site runs."]);
        }
        $origin = self::origin($src);
        if ($origin === null || preg_match('/[\s;,\'"\\\\]/', $src) === 1) {
            throw new InputRefused('head', "“{$src}” is no address of a script: it begins with https:// or a slash.");
        }

        return $this->written(
            $element,
            scripts: [(string) strtok($src, '?#')],
            hosts: [$origin],
            allows: ["A script of $origin runs, and may send there what it sees on the page."],
        );
    }

    private function linkedData(\DOMElement $element, string $text): self
    {
        $data = json_decode($text, true, 64);
        if (! is_array($data) || $element->hasAttribute('src')) {
            throw new InputRefused(
                'head',
                'JSON-LD is a JSON object; this is none. '.(json_last_error() === JSON_ERROR_NONE ? '' : json_last_error_msg().'.'),
            );
        }
        $flags = JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_HEX_TAG | JSON_HEX_AMP;

        return new self(
            $this->html.'<script type="application/ld+json">'.json_encode($data, $flags)."</script>\n",
            $this->hashes,
            $this->scripts,
            $this->hosts,
            $this->allows,
        );
    }

    /**
     * @param  list<string>  $hashes
     * @param  list<string>  $scripts
     * @param  list<string>  $hosts
     * @param  list<string>  $allows
     */
    private function written(\DOMElement $element, array $hashes = [], array $scripts = [], array $hosts = [], array $allows = []): self
    {
        $tag = strtolower($element->tagName);
        $html = "<$tag";
        foreach ($element->attributes as $attribute) {
            $html .= ' '.$attribute->name.'="'.htmlspecialchars($attribute->value, ENT_QUOTES | ENT_HTML5).'"';
        }
        $html .= $tag === 'script' ? '>'.($element->hasAttribute('src') ? '' : $element->textContent).'</script>' : '>';

        return $this->and(new self("$html\n", $hashes, $scripts, $hosts, $allows));
    }

    /** @param  list<string>  $known */
    private static function guardAttributes(\DOMElement $element, array $known): void
    {
        foreach ($element->attributes as $attribute) {
            if (! in_array(strtolower($attribute->name), $known, true) || preg_match('/^[a-z][a-z0-9-]*$/D', $attribute->name) !== 1) {
                throw new InputRefused('head', "“{$attribute->name}” has no place on <{$element->tagName}>.");
            }
        }
    }

    /** @return string|null null where it is no whole https address */
    private static function origin(string $url): ?string
    {
        $parts = parse_url($url);

        return is_array($parts) &&
            ($parts['scheme'] ?? '') === 'https' &&
            preg_match('/^[a-z0-9.-]+$/Di', $parts['host'] ?? '') === 1 &&
            ! isset($parts['user'])
            ? 'https://'.strtolower($parts['host']).(isset($parts['port']) ? ":{$parts['port']}" : '')
            : null;
    }
}
