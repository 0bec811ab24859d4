<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Pages;

use Heronstem\Core\Content\HtmlNesting;
use Heronstem\Core\Interchange\TableText;
use Heronstem\Core\OneLine;
use Masterminds\HTML5;

/**
 * Saved pages of a site. The pages are gone through twice: first to learn what repeats on them (menus, heads, feet), then to read
 * each without that. Cost: linear in the bytes; kept are the counts of what repeats, not the pages.
 */
final class HtmlFiles
{
    /** Most bytes read of one page; what is longer is refused. */
    public const MAX_BYTES = 3_000_000;

    /** Most tags, those that close included. */
    public const MAX_TAGS = 60_000;

    /** Deepest nesting, by tags that have to be closed. */
    private const MAX_NESTING = 1000;

    private function __construct(private readonly RepeatedParts $repeated)
    {
    }

    /**
     * @param  iterable<string, string>  $files  HTML by path in the folder
     * @param  array<mixed>  $stood  as pages() takes it
     */
    public static function learnt(iterable $files, array $stood = []): self
    {
        $repeated = new RepeatedParts();
        foreach ($files as $path => $html) {
            if (self::isPage($path) && self::fault($html) === null) {
                $document = self::parsed($html);
                // A menu has other links on a page that is deeper in the folder; they lead to the same.
                self::resolveLinks($document, self::stood($stood, $path)['address'] ?? self::address($path));
                $repeated->count($document);
            }
        }

        return new self($repeated);
    }

    public static function isPage(string $path): bool
    {
        return preg_match('/\.(?:x?html?|s?html)$/i', $path) === 1;
    }

    /**
     * @param  iterable<string, string>  $files  HTML by path in the folder
     * @param  array<mixed>  $stood  where pages stood, by path, where that is known otherwise: `address` and `former`
     * @return iterable<GivenPage>
     */
    public function pages(iterable $files, array $stood = []): iterable
    {
        foreach ($files as $path => $html) {
            if (self::isPage($path)) {
                $at = self::stood($stood, $path);
                $page = $this->page($path, $html, $at['address'] ?? null);
                yield $at === null ? $page : $page->with(['at' => $at['address'], 'former' => $at['former']]);
            }
        }
    }

    /** @return list<FoundMenu> those that repeat on the pages, largest first */
    public function menus(): array
    {
        return $this->repeated->menus();
    }

    /** A page by itself, e.g. one that is fetched. */
    public function page(string $path, string $html, ?string $address = null): GivenPage
    {
        $address ??= self::address($path);
        $page = new GivenPage($path, address: $address);
        $fault = self::fault($html);
        if ($fault !== null) {
            return $page->remarked(Remark::refusing('content', $fault));
        }
        $document = self::parsed($html);
        $xpath = new \DOMXPath($document);
        $meta = static function (string $query) use ($xpath): ?string {
            $found = self::first($xpath, $query);

            return $found === null ? null : (OneLine::typed((string) $found->nodeValue) ?: null);
        };
        $robots = strtolower($meta('//meta[translate(@name,"ROBTS","robts")="robots"]/@content') ?? '');
        $title = $meta('//head/title') ?? $meta('//title');
        self::resolveLinks($document, $address);
        $main = $this->main($document);
        $heading = self::taken($main);
        $remarks = $main === null ? [Remark::of('content', 'No content of its own was found on this page; it is imported without content.')] : [];

        return $page->with([
            'name' => $heading ?? ($title === null ? null : $this->repeated->shortened($title)),
            'texts' => array_filter(
                [
                    'heading' => $heading,
                    'searchTitle' => $title,
                    'searchDescription' => $meta('//meta[translate(@name,"DESCRIPTON","descripton")="description"]/@content'),
                    'socialTitle' => $meta('//meta[@property="og:title"]/@content'),
                    'socialDescription' => $meta('//meta[@property="og:description"]/@content'),
                ],
                static fn (?string $text): bool => $text !== null,
            ),
            'settings' => [
                ...str_contains($robots, 'noindex') || str_contains($robots, 'none') ? ['index' => false] : [],
                ...str_contains($robots, 'nofollow') || str_contains($robots, 'none') ? ['follow' => false] : [],
                ...($canonical = $meta('//link[@rel="canonical"]/@href')) === null ? [] : ['canonical' => $canonical],
            ],
            'content' => $main === null ? null : new GivenContent(ContentForm::Html, self::inner($main)),
            'remarks' => $remarks,
        ]);
    }

    /**
     * @param  array<mixed>  $stood
     * @return array{address: string, former: list<string>}|null
     */
    public static function stood(array $stood, string $path): ?array
    {
        $at = is_array($stood[$path] ?? null) ? $stood[$path] : [];
        $former = is_array($at['former'] ?? null) ? array_values(array_filter($at['former'], is_string(...))) : [];

        return is_string($at['address'] ?? null) ? ['address' => $at['address'], 'former' => $former] : null;
    }

    private static function address(string $path): string
    {
        return '/'.implode('/', array_map(rawurlencode(...), array_filter(explode('/', $path), static fn (string $part): bool => $part !== '')));
    }

    /** The part of a page that is its own: what is named so, else what is left without what repeats. */
    private function main(\DOMDocument $document): ?\DOMElement
    {
        $xpath = new \DOMXPath($document);
        $body = self::first($xpath, '//body');
        if (! ($body instanceof \DOMElement)) {
            return null;
        }
        $this->repeated->takeOut($body);
        foreach (['//main', '//*[@role="main"]', '//article[not(ancestor::article)]'] as $query) {
            $found = $xpath->query($query);
            $only = $found === false || $found->length !== 1 ? null : $found->item(0);
            if ($only instanceof \DOMElement && OneLine::typed($only->textContent) !== '') {
                return $only;
            }
        }

        return OneLine::typed($body->textContent) === '' && $body->getElementsByTagName('img')->length === 0 ? null : $body;
    }

    /** The first heading of the first level, which is the heading of the page rather than part of its content. */
    private static function taken(?\DOMElement $main): ?string
    {
        $first = $main?->getElementsByTagName('h1')->item(0);
        $text = $first === null ? '' : OneLine::typed($first->textContent);
        if ($first === null || $text === '') {
            return null;
        }
        $first->parentNode?->removeChild($first);

        return mb_substr($text, 0, 300);
    }

    /** Links and sources as they are from the top of the site: what a page is called changes, and relative ones would lead elsewhere. */
    private static function resolveLinks(\DOMDocument $document, string $address): void
    {
        $base = $document->getElementsByTagName('base')->item(0)?->getAttribute('href') ?? '';
        // By XPath: lists by name are walked through anew for every one of their nodes.
        $links = (new \DOMXPath($document))->query('//a/@href | //img/@src | //source/@src | //video/@src') ?: [];
        $from = $base === '' ? $address : RelativeAddress::resolved($base, $address);
        foreach ($links as $link) {
            $written = trim((string) $link->nodeValue);
            if ($written !== '' && $link->parentNode instanceof \DOMElement) {
                $link->parentNode->setAttribute($link->nodeName, RelativeAddress::resolved($written, $from));
            }
        }
    }

    /** Why a file is no page that can be read. Nesting is looked at before parsing: what is open is gone through for every tag. */
    private static function fault(string $html): ?string
    {
        if (strlen($html) > self::MAX_BYTES || substr_count($html, '<') > self::MAX_TAGS) {
            return sprintf('This file has more than 3 MB or %s tags: no page of a site has that much.', number_format(self::MAX_TAGS));
        }

        return HtmlNesting::isDeeperThan(self::MAX_NESTING, $html)
            ? sprintf('This page is nested more than %d levels deep.', self::MAX_NESTING)
            : null;
    }

    private static function first(\DOMXPath $xpath, string $query): ?\DOMNode
    {
        $found = $xpath->query($query);
        $node = $found === false ? null : $found->item(0);

        return $node instanceof \DOMNode ? $node : null;
    }

    private static function inner(\DOMElement $element): string
    {
        $html = '';
        foreach ($element->childNodes as $child) {
            $html .= (string) $element->ownerDocument?->saveHTML($child);
        }

        return $html;
    }

    private static function parsed(string $html): \DOMDocument
    {
        return (new HTML5(['disable_html_ns' => true]))->loadHTML(self::utf8($html));
    }

    /** By byte order mark, else as the page says of itself, else UTF-8 if it is that, else Windows-1252 (WHATWG Encoding). */
    public static function utf8(string $html): string
    {
        if (
            preg_match('/^(?:\xEF\xBB\xBF|\xFF\xFE|\xFE\xFF)/', $html) !== 1 &&
            preg_match('/<meta[^>]{0,200}?charset\s*=\s*["\']?\s*([\w:-]{2,40})/i', substr($html, 0, 2048), $of) === 1
        ) {
            $named = match (strtolower($of[1])) {
                'iso-8859-1', 'latin1', 'us-ascii', 'ascii' => 'Windows-1252',
                default => $of[1],
            };
            if (
                strtolower($named) !== 'utf-8' &&
                in_array(strtolower($named), array_map(strtolower(...), mb_list_encodings()), true) &&
                ! mb_check_encoding($html, 'UTF-8')
            ) {
                return mb_scrub((string) mb_convert_encoding($html, 'UTF-8', $named), 'UTF-8');
            }
        }

        return str_replace("\0", '', TableText::decoded($html));
    }
}
