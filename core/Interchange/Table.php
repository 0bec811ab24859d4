<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange;

/**
 * Rows of a table as people have them: CSV (RFC 4180) with any usual delimiter and encoding, or JSON Lines. The first row names the
 * columns where it does not begin with an address; the order is free.
 */
final readonly class Table
{
    /** Names of columns as people write them. */
    private const NAMES = [
        'source' => ['address', 'source', 'from', 'old', 'old url', 'old address', 'url', 'request', 'path'],
        'target' => ['leads to', 'target', 'to', 'new', 'new url', 'new address', 'destination', 'location'],
        'answer' => ['answer', 'status', 'code', 'type', 'status code'],
        'scope' => ['scope', 'reach'],
        'query' => ['query'],
        'carriesRest' => ['rest goes along', 'carries rest'],
        'from' => ['begins', 'valid from', 'start'],
        'until' => ['ends', 'until', 'valid until', 'end'],
        'isOn' => ['on', 'active', 'enabled'],
        'inFront' => ['in front', 'before pages'],
        'position' => ['position', 'order'],
        'note' => ['note', 'comment', 'reason'],
        'seconds' => ['seconds', 'pause'],
        'title' => ['title', 'name', 'page title', 'search title'],
        'id' => ['id', 'page id'],
        'description' => ['description', 'meta description', 'search description'],
        'canonical' => ['canonical', 'canonical address'],
        'index' => ['index', 'indexed'],
        'follow' => ['follow'],
        'sitemap' => ['sitemap', 'in sitemap'],
        'priority' => ['priority'],
        'changeFrequency' => ['change frequency', 'changefreq'],
        'message' => ['message'],
        'mail' => ['mail', 'mail address', 'email', 'e-mail', 'email address'],
        'roles' => ['roles', 'role'],
        'heading' => ['heading', 'h1', 'main heading'],
        'also' => ['also', 'alternate', 'alternates', 'hreflang', 'other languages'],
        'requests' => ['requests', 'hits', 'visits', 'views', 'page views', 'pageviews', 'clicks', 'sessions'],
        'contentType' => ['content type', 'mime type', 'media type'],
    ];

    /**
     * @param  string  $text  of a whole file
     * @return iterable<int, array<string, string>> fields by name, by the number of the line they begin on
     */
    public static function rows(string $text): iterable
    {
        $text = TableText::decoded($text);
        if (str_starts_with(ltrim($text), '{')) {
            yield from self::lines($text);

            return;
        }
        $delimiter = TableText::delimiter($text);
        $columns = null;
        foreach (TableText::records($text) as $at => [$record, $isClosed]) {
            if (trim($record) === '') {
                continue;
            }
            if (! $isClosed) {
                yield $at => [
                    'source' => mb_strcut($record, 0, 200),
                    'refused' => 'A quote opens on this line and is never closed. Close it, or double it where it is meant as a sign.',
                ];

                continue;
            }
            $row = str_getcsv($record, $delimiter, '"', '');
            if ($columns === null) {
                $columns = self::columns($row);
                if ($columns !== null) {
                    continue;
                }
                $columns = ['source', 'target', 'answer', 'note'];
            }
            $fields = [];
            foreach ($row as $i => $cell) {
                if (isset($columns[$i]) && $columns[$i] !== '') {
                    $fields[$columns[$i]] = self::unguarded(trim((string) $cell));
                }
            }
            yield $at => $fields;
        }
    }

    /**
     * A line of CSV (RFC 4180, 2).
     *
     * @param  list<string>  $cells
     */
    public static function csv(array $cells): string
    {
        return implode(
            ',',
            array_map(static function (string $cell): string {
                $cell = self::guarded($cell);

                return preg_match('/[",\r\n]|^\s|\s$/', $cell) === 1 ? '"'.str_replace('"', '""', $cell).'"' : $cell;
            }, $cells),
        )."\r\n";
    }

    /** A spreadsheet must not take a text for a formula: what would begin one, or is written like this already, has an apostrophe before it. */
    public static function guarded(string $cell): string
    {
        return preg_match("/^'*[=+\\-@\t\r]/", $cell) === 1 ? "'$cell" : $cell;
    }

    /** The cell as it was before it was guarded. */
    public static function unguarded(string $cell): string
    {
        return preg_match("/^'+[=+\\-@\t\r]/", $cell) === 1 ? substr($cell, 1) : $cell;
    }

    /** @return iterable<int, array<string, string>> */
    private static function lines(string $text): iterable
    {
        foreach (TableText::textLines($text) as $at => [$line]) {
            if (trim($line) === '') {
                continue;
            }
            $read = json_decode($line, true);
            $fields = [];
            foreach (is_array($read) ? $read : ['source' => $line] as $name => $value) {
                $known = self::name((string) $name);
                $fields[$known === '' ? (string) $name : $known] = is_bool($value)
                    ? ($value
                        ? 'yes'
                        : 'no')
                    : (is_scalar($value)
                        ? (string) $value
                        : ($value === null
                            ? ''
                            : (string) json_encode($value)));
            }
            yield $at => $fields;
        }
    }

    /**
     * @param  array<int, string|null>  $row
     * @return list<string>|null names of fields, empty for columns that mean nothing here; null where the row is no header
     */
    private static function columns(array $row): ?array
    {
        $names = array_map(static fn (?string $cell): string => self::name((string) $cell), array_values($row));

        return array_intersect(['source', 'id', 'mail'], $names) === [] ? null : $names;
    }

    private static function name(string $written): string
    {
        // Fields of layouts are named as they are there.
        if (preg_match('/^fields\.[A-Za-z0-9]+$/D', trim($written)) === 1) {
            return trim($written);
        }
        $written = strtolower(trim((string) preg_replace('/[_\-\s]+/', ' ', (string) preg_replace('/(?<=[a-z])(?=[A-Z])/', ' ', $written))));
        // Where a page may have several of something, the first is numbered.
        $written = (string) preg_replace('/ 1$/', '', $written);
        foreach (self::NAMES as $field => $names) {
            if ($written === strtolower($field) || in_array($written, $names, true)) {
                return $field;
            }
        }

        return '';
    }
}
