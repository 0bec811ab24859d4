<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Server;

/**
 * The rules themselves, kept as comments in a file for a web server: what such a file answers is worked out, so that only these
 * say again what was set. Lines that begin with "#=", and go on with "#+".
 */
final readonly class KeptRules
{
    /** Longest line, in bytes: nginx takes no comment of more than 4 KB. */
    private const MAX_LENGTH = 2000;

    /** @param  string  $row  a rule as an object of JSON, on one line */
    public static function written(string $row): string
    {
        $pieces = str_split(rtrim($row), self::MAX_LENGTH);

        return implode(
            '',
            array_map(static fn (string $piece, int $n): string => ($n === 0 ? '#= ' : '#+ ').$piece."\n", $pieces, array_keys($pieces)),
        );
    }

    /** A source in a sentence: no longer than one reads, and nothing in it that ends a line. */
    public static function named(string $source): string
    {
        $plain = (string) preg_replace('/[\x00-\x1F\x7F\\\\]/', ' ', $source);

        return mb_strlen($plain) > 80 ? mb_substr($plain, 0, 77).'…' : $plain;
    }

    /**
     * What a file begins with: comments of what it is, what it cannot carry, and the rules themselves.
     *
     * @param  list<string>  $notes
     * @param  iterable<string>  $kept  as written gave them
     */
    public static function head(string $title, array $notes, iterable $kept): string
    {
        $head = "# $title\n".implode('', array_map(static fn (string $note): string => "# Not exported: $note\n", $notes));
        foreach ($kept as $line) {
            $head .= $line;
        }

        return $head;
    }

    /** @return array<int, string> rows by the number of the line they begin on; none where the text keeps no rules */
    public static function in(string $text): array
    {
        $rows = [];
        $at = 0;
        foreach (explode("\n", $text) as $n => $line) {
            if (str_starts_with($line, '#= ')) {
                $at = $n + 1;
                $rows[$at] = substr(rtrim($line, "\r"), 3);
            } elseif (str_starts_with($line, '#+ ') && $at > 0) {
                $rows[$at] .= substr(rtrim($line, "\r"), 3);
            }
        }

        return array_unique($rows);
    }
}
