<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Pages;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Interchange\TableText;

/** Sources that know addresses and little more: a list, an access log, a sitemap. */
final class AddressSources
{
    private const LOG = '~^\S+ \S+ \S+ \[[^\]]+\] "(GET|HEAD|POST) (\S+)[^"]*" (\d{3}) ~';

    /** What is no page, by the ending of its address. */
    private const ASSET = '/\.(?:png|jpe?g|gif|svg|webp|avif|ico|bmp|css|js|mjs|map|woff2?|ttf|otf|eot|mp3|mp4|webm|ogg|mov|xml|rss|txt|json|pdf|zip|gz|docx?|xlsx?|pptx?)$/i';

    /**
     * Addresses, one a line; what follows a tab, or a space where it is no part of an address, is the name.
     *
     * @return iterable<GivenPage>
     */
    public static function list(string $text): iterable
    {
        foreach (TableText::textLines(TableText::decoded($text)) as $n => [$line]) {
            $line = trim($line);
            if ($line === '' || str_starts_with($line, '#')) {
                continue;
            }
            [$address, $name] = [...preg_split('/\s+/', $line, 2) ?: [], null];
            $page = new GivenPage("line $n", address: (string) $address, name: $name);
            yield preg_match('#^(?:https?:)?/#i', (string) $address) === 1 ? $page : $page->remarked(Remark::refusing('address', 'This line does not begin with an address: / or http.'));
        }
    }

    /**
     * Pages that visitors got, the most asked for first. Pictures, styles and the like are no pages.
     *
     * @return iterable<GivenPage>
     */
    public static function log(string $text): iterable
    {
        $found = [];
        foreach (TableText::textLines($text) as [$line]) {
            if (preg_match(self::LOG, $line, $of) !== 1 || ! in_array($of[3], ['200', '203', '206', '304'], true) || $of[1] === 'POST') {
                continue;
            }
            $path = mb_scrub(substr($of[2], 0, strcspn($of[2], '?#')), 'UTF-8');
            if (preg_match(self::ASSET, $path) !== 1) {
                $found[$path] = ($found[$path] ?? 0) + 1;
            }
        }
        arsort($found);
        $n = 0;
        foreach ($found as $path => $requests) {
            yield new GivenPage(sprintf('%s, asked for %s', ++$n === 1 ? 'the most asked for' : "no. $n", $requests === 1 ? 'once' : number_format($requests).' times'), address: (string) $path, requests: $requests);
        }
    }

    /**
     * A sitemap, read as a stream; of an index the sitemaps that it names are told.
     *
     * @return iterable<GivenPage>
     *
     * @throws InputRefused where it is no XML of this kind
     */
    public static function sitemap(string $xml): iterable
    {
        $reader = SafeXml::reader($xml, 'This is not a sitemap that can be read');
        $n = 0;
        $loc = null;
        $isIndex = false;
        while (SafeXml::next($reader, 'This is not a sitemap that can be read')) {
            if ($reader->nodeType !== \XMLReader::ELEMENT) {
                continue;
            }
            $isIndex = $isIndex || $reader->localName === 'sitemapindex';
            // Pictures and films of a page have a `loc` of their own, in another namespace.
            if ($reader->localName !== 'loc' || str_contains($reader->name, ':') && ! in_array($reader->namespaceURI, ['http://www.sitemaps.org/schemas/sitemap/0.9', 'https://www.sitemaps.org/schemas/sitemap/0.9'], true)) {
                continue;
            }
            $loc = trim($reader->readString());
            $page = new GivenPage('entry '.++$n, address: $loc);
            yield $isIndex ? $page->remarked(Remark::refusing('address', 'This is another sitemap. Give that one as well, or all of them in one ZIP file.')) : $page;
        }
        if ($loc === null) {
            throw new InputRefused('text', 'This sitemap has no address: it has no <loc>.');
        }
    }
}
