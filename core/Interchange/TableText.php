<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange;

/** The text of a table, before its columns mean anything: encoding, delimiter, lines and records. */
final class TableText
{
    public const DELIMITERS = [',', ';', "\t", '|'];

    public const ENCODINGS = ['UTF-8', 'Windows-1252', 'ISO-8859-1', 'ISO-8859-2', 'ISO-8859-15', 'UTF-16LE', 'UTF-16BE', 'Windows-1251'];

    /**
     * Records of a file: lines, joined where a quoted field goes on in the next. Where a quote is never closed, the line that
     * opens it stands alone, so that it does not take in all that follow. Cost: linear, twice where a quote stays open.
     *
     * @return iterable<int, array{string, bool}> the record and whether its quotes are closed, by the number of the line it begins on
     */
    public static function records(string $text): iterable
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

    /** The encoding of a text: by its byte order mark, else UTF-8 if it is that, else Windows-1252. */
    public static function encoding(string $text): string
    {
        return match (true) {
            str_starts_with($text, "\xFF\xFE") => 'UTF-16LE',
            str_starts_with($text, "\xFE\xFF") => 'UTF-16BE',
            mb_check_encoding($text, 'UTF-8') => 'UTF-8',
            default => 'Windows-1252',
        };
    }

    /**
     * The text in UTF-8, without its byte order mark and without NUL, which no text means.
     *
     * @param  string|null  $encoding  one of ENCODINGS; null for what it looks like
     */
    public static function decoded(string $text, ?string $encoding = null): string
    {
        $encoding ??= self::encoding($text);
        $text = (string) preg_replace('/^(?:\xEF\xBB\xBF|\xFF\xFE|\xFE\xFF)/', '', $text);

        return str_replace("\0", '', $encoding === 'UTF-8' ? mb_scrub($text, 'UTF-8') : (string) mb_convert_encoding($text, 'UTF-8', $encoding));
    }

    /** The one that the first lines have most evenly. */
    public static function delimiter(string $text): string
    {
        $head = mb_strcut($text, 0, 4000);
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
}
