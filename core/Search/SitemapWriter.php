<?php

declare(strict_types=1);

namespace Heronstem\Core\Search;

/**
 * Writes sitemaps piece by piece, so that a large site never stands in memory.
 *
 * @see https://www.sitemaps.org/protocol.html version 0.9, with its extension for pictures
 */
final class SitemapWriter
{
    /**
     * Addresses in one part. The protocol allows 50,000 and 50 MB; with addresses of at most
     * 2,000 characters this many stay under both.
     */
    public const PART = 20000;

    private const XMLNS = 'http://www.sitemaps.org/schemas/sitemap/0.9';

    private const PICTURES = 'http://www.google.com/schemas/sitemap-image/1.1';

    /** Pictures of one page that the extension allows. */
    public const MAX_PICTURES = 1000;

    private const PIECE = 500;

    /**
     * @param  iterable<SitemapEntry>  $entries  at most one part
     * @return \Generator<int, string>
     */
    public function part(iterable $entries): \Generator
    {
        yield from $this->write('urlset', 'url', $entries);
    }

    /**
     * @param  iterable<SitemapEntry>  $parts  where the parts are
     * @return \Generator<int, string>
     */
    public function index(iterable $parts): \Generator
    {
        yield from $this->write('sitemapindex', 'sitemap', $parts);
    }

    /**
     * @param  iterable<SitemapEntry>  $entries
     * @return \Generator<int, string>
     */
    private function write(string $root, string $element, iterable $entries): \Generator
    {
        $xml = new \XMLWriter();
        $xml->openMemory();
        $xml->startDocument('1.0', 'UTF-8');
        $xml->startElement($root);
        $xml->writeAttribute('xmlns', self::XMLNS);
        $root === 'urlset' && $xml->writeAttribute('xmlns:image', self::PICTURES);
        $count = 0;
        foreach ($entries as $entry) {
            $xml->startElement($element);
            $xml->writeElement('loc', $entry->location);
            $xml->writeElement('lastmod', $entry->lastModified->format(DATE_ATOM));
            if ($entry->changeFrequency !== null) {
                $xml->writeElement('changefreq', $entry->changeFrequency->value);
            }
            if ($entry->priority !== null) {
                $xml->writeElement('priority', number_format($entry->priority / 10, 1, '.', ''));
            }
            foreach (array_slice($entry->pictures, 0, self::MAX_PICTURES) as $picture) {
                $xml->startElement('image:image');
                $xml->writeElement('image:loc', $picture);
                $xml->endElement();
            }
            $xml->endElement();
            if (++$count % self::PIECE === 0) {
                yield $xml->outputMemory();
            }
        }
        $xml->endElement();
        $xml->endDocument();
        yield $xml->outputMemory();
    }
}
