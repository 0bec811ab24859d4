<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange;

use Heronstem\Core\InputRefused;

/**
 * Addresses of an old site, as people have them: a list with one a line, a table with titles, a sitemap (sitemaps.org 0.9), or the
 * access log of a web server in the common or combined format, where requests are counted.
 */
final class OldAddresses
{
    /** Most addresses of one list. */
    public const MAX_LINES = 10000;

    private const LOG = '~^\S+ \S+ \S+ \[[^\]]+\] "(?:GET|HEAD|POST) (\S+)[^"]*" (\d{3}) ~';

    /**
     * @return array<string, array{title: string, requests: int}> by address as it is written
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
        if ($found === []) {
            throw new InputRefused(
                'text',
                'No address was found. Paste one a line, a table with a column named address, a sitemap, or an access log.',
            );
        }
        if (count($found) > self::MAX_LINES) {
            throw new InputRefused('text', sprintf('At most %d addresses are matched at once; these are %d.', self::MAX_LINES, count($found)));
        }

        return $found;
    }

    /** @return array<string, array{title: string, requests: int}> */
    private static function sitemap(string $text): array
    {
        $found = [];
        preg_match_all('~<(?:\w+:)?loc>\s*(?:<!\[CDATA\[)?(.*?)(?:\]\]>)?\s*</(?:\w+:)?loc>~is', $text, $locs);
        foreach ($locs[1] as $loc) {
            $found[html_entity_decode(trim($loc), ENT_QUOTES | ENT_XML1, 'UTF-8')] = ['title' => '', 'requests' => 0];
        }

        return $found;
    }

    /**
     * Pictures, styles, scripts and the like are no pages; what the server refused or broke on is not asked for again.
     *
     * @return array<string, array{title: string, requests: int}> the most asked for first
     */
    private static function log(string $text): array
    {
        $found = [];
        foreach (preg_split('/\R/', $text) ?: [] as $line) {
            if (
                preg_match(self::LOG, $line, $parts) !== 1 ||
                ! in_array($parts[2][0], ['2', '3', '4'], true) ||
                in_array($parts[2], ['400', '401', '403', '405'], true)
            ) {
                continue;
            }
            $path = substr($parts[1], 0, strcspn($parts[1], '?#'));
            if (preg_match('/\.(?:png|jpe?g|gif|svg|webp|ico|css|js|mjs|map|woff2?|ttf|eot|mp4|webm|xml|txt|json)$/i', $path) === 1) {
                continue;
            }
            $found[$path] = ['title' => '', 'requests' => ($found[$path]['requests'] ?? 0) + 1];
        }
        uasort($found, static fn (array $a, array $b): int => $b['requests'] <=> $a['requests']);

        return $found;
    }

    /** @return array<string, array{title: string, requests: int}> */
    private static function table(string $text): array
    {
        $found = [];
        foreach (Table::rows($text) as $fields) {
            $address = $fields['source'] ?? '';
            if ($address !== '' && preg_match('#^(?:https?://|/)#i', $address) === 1) {
                // Without names of columns the second is the title.
                $found[$address] = [
                    'title' => $fields['title'] ?? (preg_match('#^(?:https?://|/)#i', $fields['target'] ?? '') === 1 ? '' : $fields['target'] ?? ''),
                    'requests' => 0,
                ];
            }
        }

        return $found;
    }
}
