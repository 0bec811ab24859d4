<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Pages;

/** What pages are brought in from. */
enum SourceFormat: string
{
    /** CSV (RFC 4180) with any usual delimiter and encoding, JSON Lines, or a workbook. */
    case Table = 'table';

    /** Sitemap (sitemaps.org 0.9). */
    case Sitemap = 'sitemap';

    /** Addresses, one a line. */
    case Addresses = 'addresses';

    /** Access log of a web server in the common or combined format. */
    case Log = 'log';

    /** Saved pages of a site, in a folder. */
    case Html = 'html';

    /** Outline (OPML 2.0). */
    case Opml = 'opml';

    /** A folder of Markdown files with front matter. */
    case Markdown = 'markdown';

    /** A site as Heronstem writes it out. */
    case Json = 'json';

    private const LOG = '~^\S+ \S+ \S+ \[[^\]]+\] "[A-Z]+ \S+[^"]*" \d{3} ~';

    /**
     * What a text looks like, by its beginning.
     *
     * @param  string  $head  its first bytes, some thousand
     */
    public static function ofText(string $head): self
    {
        $head = ltrim($head, "\xEF\xBB\xBF \t\r\n");
        $first = (string) strtok($head, "\r\n");

        return match (true) {
            preg_match('/<(?:\w+:)?(?:urlset|sitemapindex)\b/i', $head) === 1 => self::Sitemap,
            preg_match('/<opml\b/i', $head) === 1 => self::Opml,
            preg_match('/^<(?:!doctype html|html|head|body|main|article|h[1-6]|p|div|!--)\b/i', $head) === 1 => self::Html,
            preg_match('/^\{\s*"format"\s*:\s*"heronstem-site"/', $head) === 1 => self::Json,
            preg_match(self::LOG, $first) === 1 => self::Log,
            preg_match('/^(?:---\r?\n|# )/', $head) === 1 => self::Markdown,
            // With or without a name behind it; in a table the address ends at what separates its cells.
            preg_match('#^(?:https?://|/)[^\s,;|]*(?:[ \t]+[^\t]*)?$#i', trim($first)) === 1 => self::Addresses,
            default => self::Table,
        };
    }

    /** What a folder looks like, by the names of its files. */
    public static function ofFolder(string ...$names): ?self
    {
        $counts = ['html' => 0, 'markdown' => 0];
        foreach ($names as $name) {
            $kind = match (strtolower(pathinfo($name, PATHINFO_EXTENSION))) {
                'html', 'htm', 'xhtml', 'shtml', 'php' => 'html',
                'md', 'markdown' => 'markdown',
                default => null,
            };
            if ($kind !== null) {
                $counts[$kind]++;
            }
        }

        return match (true) {
            $counts['html'] + $counts['markdown'] === 0 => null,
            $counts['html'] >= $counts['markdown'] => self::Html,
            default => self::Markdown,
        };
    }
}
