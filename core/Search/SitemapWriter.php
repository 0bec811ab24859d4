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

    /** Pictures of one page that the extension allows. */
    public const MAX_PICTURES = 1000;

    private const XMLNS = 'http://www.sitemaps.org/schemas/sitemap/0.9';

    private const PICTURES = 'http://www.google.com/schemas/sitemap-image/1.1';

    /** Lines written at a time. */
    private const PIECE = 1000;

    /**
     * Cost: less than a microsecond each where nothing is told apart; values of their own would cost ten times that.
     *
     * @param  list<string>  $lines  each an address, a tab, a moment as `2026-05-03 10:00:00` (UTC; fractions are left out), a tab, and what tells its terms; nothing for those that most have
     * @param  \Closure(string): SitemapTerms  $terms  asked once for those that are told alike
     * @return \Generator<int, string>
     */
    public function part(array $lines, string $origin, \Closure $terms): \Generator
    {
        yield self::begin('urlset', ' xmlns:image="'.self::PICTURES.'"');
        $known = [];
        $most = addcslashes(self::elements($terms('')), '\\$');
        $plain = '<url><loc>'.addcslashes(self::escaped($origin), '\\$')."\$1</loc><lastmod>\$2T\$3Z</lastmod>$most</url>";
        foreach (array_chunk($lines, self::PIECE) as $piece) {
            $text = (string) preg_replace('/^([^\t\n]*+)\t([\d-]++) ([\d:]++)[.\d]*+\t$/m', $plain, self::escaped(implode("\n", $piece)));
            yield (string) preg_replace_callback(
                '/^([^\t\n<]*+)\t([\d-]++) ([\d:]++)[.\d]*+\t(.+)$/m',
                static function (array $line) use ($origin, $terms, &$known): string {
                    [, $address, $day, $time, $key] = $line;
                    $known[$key] ??= self::elements($terms(str_replace(['&lt;', '&gt;', '&amp;'], ['<', '>', '&'], $key)));

                    return "<url><loc>$origin$address</loc><lastmod>{$day}T{$time}Z</lastmod>{$known[$key]}</url>";
                },
                $text,
            );
        }
        yield "</urlset>\n";
    }

    /**
     * @param  list<string>  $parts  where the parts are, absolute URLs
     * @param  int  $changed  seconds since 1970, UTC
     */
    public function index(array $parts, int $changed): string
    {
        $day = gmdate('Y-m-d\TH:i:s\Z', $changed);
        $sitemaps = array_map(static fn (string $part): string => '<sitemap><loc>'.self::escaped($part)."</loc><lastmod>$day</lastmod></sitemap>", $parts);

        return self::begin('sitemapindex').implode('', $sitemaps)."</sitemapindex>\n";
    }

    private static function begin(string $root, string $more = ''): string
    {
        return '<?xml version="1.0" encoding="UTF-8"?>'."\n<$root xmlns=\"".self::XMLNS."\"$more>";
    }

    private static function elements(SitemapTerms $terms): string
    {
        $pictures = array_map(
            static fn (string $picture): string => '<image:image><image:loc>'.self::escaped($picture).'</image:loc></image:image>',
            array_slice($terms->pictures, 0, self::MAX_PICTURES),
        );

        return ($terms->changeFrequency === null ? '' : "<changefreq>{$terms->changeFrequency->value}</changefreq>").
            ($terms->priority === null ? '' : '<priority>'.number_format($terms->priority / 10, 1, '.', '').'</priority>').
            implode('', $pictures);
    }

    /** As text between elements (XML 1.0, 2.4). */
    private static function escaped(string $text): string
    {
        return str_replace(['&', '<', '>'], ['&amp;', '&lt;', '&gt;'], $text);
    }
}
