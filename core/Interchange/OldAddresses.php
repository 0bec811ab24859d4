<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Redirect\Matching\OldPage;

/**
 * Addresses of an old site, as people have them: a list with one a line, a table with titles and what else is known (as a crawl or a
 * count of visits gives it), a sitemap (sitemaps.org 0.9, with its addresses in other languages), or the access log of a web server in the
 * common or combined format, where requests are counted.
 */
final class OldAddresses
{
    /** Most addresses of one list. */
    public const MAX_LINES = 10000;

    private const IS_ADDRESS = '#^(?:https?://|/)#i';

    /** Pictures, styles, scripts and the like, which are no pages. */
    private const NO_PAGE = '/\.(?:png|jpe?g|gif|svg|webp|ico|css|js|mjs|map|woff2?|ttf|eot|mp4|webm|xml|txt|json)$/i';

    private const LOG = '~^\S+ \S+ \S+ \[[^\]]+\] "(?:GET|HEAD|POST) (\S+)[^"]*" (\d{3}) ~';

    /**
     * @return array<string, OldPage> by address as it is written
     *
     * @throws InputRefused where there is none, or more than can be matched at once
     */
    public static function read(string $text): array
    {
        $found = match (true) {
            preg_match('/<(?:\w+:)?(?:urlset|sitemapindex)\b/i', substr($text, 0, 2000)) === 1 => self::sitemap($text),
            preg_match(self::LOG, (string) strtok(ltrim($text), "\n")) === 1 => self::log($text),
            default => self::table($text),
        };

        return self::bounded($found);
    }

    /**
     * @param  array<string, OldPage>  $found
     * @return array<string, OldPage> the same
     *
     * @throws InputRefused where there is none, or more than can be matched at once
     */
    public static function bounded(array $found): array
    {
        if ($found === []) {
            throw new InputRefused(
                'text',
                'No address was found. Paste one a line, a table with a column named address, a sitemap, or an access log.',
            );
        }
        if (count($found) > self::MAX_LINES) {
            throw self::tooMany(count($found));
        }

        return $found;
    }

    public static function tooMany(int $count): InputRefused
    {
        return new InputRefused('text', sprintf('At most %d addresses are matched at once; these are %d or more.', self::MAX_LINES, $count));
    }

    /** @return array<string, OldPage> */
    private static function sitemap(string $text): array
    {
        $found = [];
        preg_match_all('~<(?:\w+:)?(url|sitemap)\b[^>]*>(.*?)</(?:\w+:)?\1>~is', $text, $entries);
        foreach ($entries[2] as $entry) {
            preg_match('~<(?:\w+:)?loc>\s*(?:<!\[CDATA\[)?(.*?)(?:\]\]>)?\s*</(?:\w+:)?loc>~is', $entry, $loc);
            preg_match_all('~<(?:\w+:)?link\b[^>]*\bhref\s*=\s*["\']([^"\']*)["\']~i', $entry, $links);
            $address = self::decoded($loc[1] ?? '');
            if ($address !== '') {
                $found[$address] = new OldPage($address, also: self::further($address, array_map(self::decoded(...), $links[1])));
            }
        }

        return $found;
    }

    private static function decoded(string $xml): string
    {
        return html_entity_decode(trim($xml), ENT_QUOTES | ENT_XML1, 'UTF-8');
    }

    /**
     * What the server refused or broke on is not asked for again.
     *
     * @return array<string, OldPage> the most asked for first
     */
    private static function log(string $text): array
    {
        $requests = [];
        foreach (preg_split('/\R/', $text) ?: [] as $line) {
            if (
                preg_match(self::LOG, $line, $parts) !== 1 ||
                ! in_array($parts[2][0], ['2', '3', '4'], true) ||
                in_array($parts[2], ['400', '401', '403', '405'], true)
            ) {
                continue;
            }
            $path = substr($parts[1], 0, strcspn($parts[1], '?#'));
            if (preg_match(self::NO_PAGE, $path) !== 1) {
                $requests[$path] = ($requests[$path] ?? 0) + 1;
            }
        }
        arsort($requests);
        $found = [];
        foreach ($requests as $path => $count) {
            $found[$path] = new OldPage((string) $path, requests: $count);
        }

        return $found;
    }

    /** @return array<string, OldPage> */
    private static function table(string $text): array
    {
        $found = [];
        foreach (Table::rows($text) as $fields) {
            $address = $fields['source'] ?? '';
            if (
                preg_match(self::IS_ADDRESS, $address) !== 1 ||
                preg_match('~^(?!text/html|application/xhtml)\w+/~i', $fields['contentType'] ?? '') === 1
            ) {
                continue;
            }
            // Without names of columns the second is the title.
            $second = $fields['target'] ?? '';
            $found[$address] = new OldPage(
                $address,
                $fields['title'] ?? (preg_match(self::IS_ADDRESS, $second) === 1 ? '' : $second),
                $fields['heading'] ?? '',
                self::further($address, [$fields['canonical'] ?? '', ...preg_split('/[\s,;|]+/', $fields['also'] ?? '') ?: []]),
                (int) preg_replace('/[^0-9]/', '', substr($fields['requests'] ?? '', 0, 12)),
            );
        }

        return $found;
    }

    /**
     * @param  list<string>  $addresses
     * @return list<string> those of them that are addresses, and not the one itself
     */
    private static function further(string $of, array $addresses): array
    {
        return array_values(
            array_unique(array_filter($addresses, static fn (string $other): bool => $other !== $of && preg_match(self::IS_ADDRESS, $other) === 1)),
        );
    }
}
