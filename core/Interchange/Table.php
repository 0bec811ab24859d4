<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange;

/**
 * Rows of a table as people have them: CSV (RFC 4180) with any usual delimiter and encoding, or JSON Lines. The first row names the
 * columns where it does not begin with an address; the order is free.
 */
final readonly class Table
{
    private const DELIMITERS = [',', ';', "\t", '|'];

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
    ];

    /**
     * @param  string  $text  of a whole file
     * @return iterable<int, array<string, string>> fields by name, by the number of the line they begin on
     */
    public static function rows(string $text): iterable
    {
        $text = self::decoded($text);
        if (str_starts_with(ltrim($text), '{')) {
            yield from self::lines($text);

            return;
        }
        $delimiter = self::delimiter(mb_strcut($text, 0, 4000));
        $columns = null;
        foreach (self::records($text) as $at => [$record, $isClosed]) {
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

    private static function unguarded(string $cell): string
    {
        return preg_match("/^'+[=+\\-@\t\r]/", $cell) === 1 ? substr($cell, 1) : $cell;
    }

    /**
     * Records of a file: lines, joined where a quoted field goes on in the next. Where a quote is never closed, the line that
     * opens it stands alone, so that it does not take in all that follow. Cost: linear, twice where a quote stays open.
     *
     * @return iterable<int, array{string, bool}> the record and whether its quotes are closed, by the number of the line it begins on
     */
    private static function records(string $text): iterable
    {
        $open = null;
        $pieces = [];
        foreach (self::textLines($text) as $at => [$line, $next]) {
            if ($open === null && substr_count($line, '"') % 2 === 0) {
                yield $at => [$line, true];
            } elseif ($open === null) {
                $open = [$at, $line, $next];
                $pieces = [$line];
            } else {
                $pieces[] = $line;
                if (substr_count($line, '"') % 2 === 1) {
                    yield $open[0] => [implode("\n", $pieces), true];
                    $open = null;
                }
            }
        }
        if ($open !== null) {
            yield $open[0] => [$open[1], false];
            foreach (self::records(substr($text, $open[2])) as $at => $record) {
                yield $open[0] + $at => $record;
            }
        }
    }

    /**
     * One line after another, none of them kept.
     *
     * @return iterable<int, array{string, int}> the line and where the next begins, by its number
     */
    public static function textLines(string $text): iterable
    {
        $length = strlen($text);
        for ($at = 0, $n = 1; $at <= $length; $n++) {
            $size = strcspn($text, "\r\n", $at);
            $end = $at + $size;
            $next = $end + (substr($text, $end, 2) === "\r\n" ? 2 : 1);
            yield $n => [substr($text, $at, $size), min($next, $length)];
            $at = $next;
        }
    }

    /** @return iterable<int, array<string, string>> */
    private static function lines(string $text): iterable
    {
        foreach (self::textLines($text) as $at => [$line]) {
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

    /** UTF-8, whatever it was: by its byte order mark, else UTF-8 if it is that, else Windows-1252. */
    private static function decoded(string $text): string
    {
        return match (true) {
            str_starts_with($text, "\xEF\xBB\xBF") => substr($text, 3),
            str_starts_with($text, "\xFF\xFE") => mb_convert_encoding(substr($text, 2), 'UTF-8', 'UTF-16LE'),
            str_starts_with($text, "\xFE\xFF") => mb_convert_encoding(substr($text, 2), 'UTF-8', 'UTF-16BE'),
            mb_check_encoding($text, 'UTF-8') => $text,
            default => mb_convert_encoding($text, 'UTF-8', 'Windows-1252'),
        };
    }

    /** The one that the first lines have most evenly. */
    private static function delimiter(string $head): string
    {
        $lines = array_slice(
            array_values(
                array_filter(
                    preg_split('/\R/', (string) preg_replace('/"(?:[^"]|"")*"/', 'x', $head)) ?: [],
                    static fn (string $line): bool => trim($line) !== '',
                ),
            ),
            0,
            10,
        );
        $best = ',';
        $most = 0;
        foreach (self::DELIMITERS as $delimiter) {
            $counts = array_map(static fn (string $line): int => substr_count($line, $delimiter), $lines);
            $even = $counts === [] ? 0 : min($counts);
            if ($even > $most) {
                [$best, $most] = [$delimiter, $even];
            }
        }

        return $best;
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
        foreach (self::NAMES as $field => $names) {
            if ($written === strtolower($field) || in_array($written, $names, true)) {
                return $field;
            }
        }

        return '';
    }
}
