<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Interchange\Pages\HtmlFiles;
use Heronstem\Core\Interchange\Pages\RelativeAddress;
use Heronstem\Core\OneLine;
use Heronstem\Core\Redirect\Matching\OldPage;

/**
 * Saved pages of an old site, for matching: where each stood, its title, heading and the addresses that it names as its own
 * (`rel=canonical`, RFC 6596) or as itself in other languages (`hreflang`). One page is held at a time, and of it only its beginning read.
 */
final class SavedPages
{
    /** Bytes read of each: title and heading stand near the top. */
    private const READ = 256_000;

    /**
     * @param  iterable<string, string>  $files  HTML by path in the folder
     * @param  array<mixed>  $stood  where pages stood, by path, where that is known otherwise: `address` and `former`
     * @return array<string, OldPage> by address
     *
     * @throws InputRefused where there is none, or more than can be matched at once
     */
    public static function read(iterable $files, array $stood = []): array
    {
        $pages = $canonical = [];
        foreach ($files as $path => $html) {
            if (! HtmlFiles::isPage($path)) {
                continue;
            }
            $known = HtmlFiles::stood($stood, $path)['address'] ?? null;
            [$page, $named] = self::page($known ?? self::address($path), $html);
            $pages[] = $page;
            count($pages) <= OldAddresses::MAX_LINES || throw OldAddresses::tooMany(count($pages));
            // A folder knows files, not what the server called them: what the page calls itself does, where no other page claims it.
            if ($known === null && $named !== null) {
                $canonical[$named][] = array_key_last($pages);
            }
        }
        foreach ($canonical as $named => $claimed) {
            if (count($claimed) === 1) {
                $page = $pages[$claimed[0]];
                $also = array_values(array_diff($page->also, [$named]));
                $pages[$claimed[0]] = new OldPage((string) $named, $page->title, $page->heading, $also);
            }
        }

        return OldAddresses::bounded(array_column($pages, null, 'address'));
    }

    /** @return array{OldPage, string|null} with the path that it calls its own, if it does */
    private static function page(string $address, string $html): array
    {
        $document = new \DOMDocument();
        $was = libxml_use_internal_errors(true);
        // In signs that no encoding changes: the parser would go by what the page says of itself, which is no longer so.
        $document->loadHTML(
            '<html>'.mb_encode_numericentity(HtmlFiles::utf8(substr($html, 0, self::READ)), [0x80, 0x10FFFF, 0, 0x1FFFFF], 'UTF-8'),
            LIBXML_NONET,
        );
        libxml_clear_errors();
        libxml_use_internal_errors($was);
        $xpath = new \DOMXPath($document);
        $texts = static fn (string $query): array => array_map(
            static fn (\DOMNode|\DOMNameSpaceNode $node): string => mb_substr(OneLine::typed((string) $node->nodeValue), 0, 300),
            iterator_to_array($xpath->query($query) ?: []),
        );
        $resolved = static fn (string $link): string => RelativeAddress::resolved($link, $address);
        $named = array_map($resolved, $texts('//link[@rel="canonical"]/@href'))[0] ?? null;
        $others = array_map($resolved, $texts('//link[@rel="alternate"][@hreflang]/@href'));
        $also = array_values(
            array_unique(array_filter([...$named === null ? [] : [$named], ...$others], static fn (string $other): bool => $other !== $address)),
        );
        $page = new OldPage($address, $texts('//title')[0] ?? '', $texts('//h1')[0] ?? '', $also);

        return [$page, $named === $address ? null : $named];
    }

    /** Where a file of a folder stood: an index is what its folder is called. */
    private static function address(string $path): string
    {
        $parts = explode('/', (string) preg_replace('#(?:^|(?<=/))(?:index|default)\.\w+$#i', '', $path));

        return '/'.implode('/', array_map(rawurlencode(...), $parts));
    }
}
