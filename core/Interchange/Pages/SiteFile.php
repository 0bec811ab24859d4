<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Pages;

use Heronstem\Core\Identity;
use Heronstem\Core\InputRefused;

/**
 * A whole site as one JSON document (RFC 8259): `{"format": "heronstem-site", "version": 1, "site": {…}, "pages": […], "files": […],
 * "pieces": […], "menus": […], "redirects": […]}`. It is written with one record a line, and read line by line where it is written
 * like this, so that its size is no matter; written otherwise it is read as a whole. Described in docs/develop/site-format.md.
 */
final class SiteFile
{
    public const FORMAT = 'heronstem-site';

    public const VERSION = 1;

    /** The lists of records, in the order in which they are written: what is named comes before what names it. */
    public const LISTS = ['files', 'pieces', 'pages', 'menus', 'redirects', 'starting-points'];

    /** Most bytes of a file that is not written with one record a line. */
    private const MAX_WHOLE = 32_000_000;

    /**
     * @param  array<string, mixed>  $site  what is said of the site itself
     * @param  array<string, iterable<array<string, mixed>>>  $lists  records by the name of their list
     * @return iterable<string> pieces of text
     */
    public static function write(array $site, array $lists): iterable
    {
        $flags = JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION;
        yield '{"format":"'.self::FORMAT.'","version":'.self::VERSION.",\n\"site\":".json_encode((object) $site, $flags);
        foreach ($lists as $name => $records) {
            yield ",\n\"$name\":[";
            $isFirst = true;
            foreach ($records as $record) {
                yield ($isFirst ? "\n" : ",\n").json_encode($record, $flags);
                $isFirst = false;
            }
            yield "\n]";
        }
        yield "\n}\n";
    }

    /**
     * @param  iterable<string>  $lines  of the file, with or without their ends
     * @return iterable<array{string, array<mixed>}> the name of a list, or `site`, and a record
     *
     * @throws InputRefused where it is no such file, or of a version that is not known here
     */
    public static function records(iterable $lines): iterable
    {
        $list = null;
        $whole = '';
        $isLined = null;
        $n = 0;
        foreach ($lines as $line) {
            $n++;
            $line = rtrim($line, "\r\n");
            if ($isLined === null) {
                $line = (string) preg_replace('/^\xEF\xBB\xBF/', '', $line);
                $isLined = preg_match('/^\{"format":"([^"]*)","version":(\d+),$/D', $line, $of) === 1;
                if ($isLined) {
                    self::guard($of[1], (int) $of[2]);

                    continue;
                }
            }
            if (! $isLined) {
                $whole .= $line."\n";
                if (strlen($whole) > self::MAX_WHOLE) {
                    throw new InputRefused('file', 'This site file is not written with one record a line, and too large to be read as a whole.');
                }
            } elseif ($list === null || $line === ']' || $line === '],' || $line === '}') {
                $list = self::opened($line);
                if ($list === null && str_starts_with($line, '"site":')) {
                    yield ['site', self::record(substr($line, 7), $n)];
                }
            } else {
                yield [$list, self::record($line, $n)];
            }
        }
        if ($isLined !== true) {
            yield from self::whole($whole);
        }
    }

    /**
     * The record with everything that it names by identity named otherwise. Texts that people read stay as they are.
     *
     * @param  array<mixed>  $record
     * @param  array<string, string>  $to  by identity
     * @return array<mixed>
     */
    public static function turned(array $record, array $to): array
    {
        array_walk_recursive($record, static function (mixed &$value, int|string $key) use ($to): void {
            if (is_string($value) && strlen($value) >= 26 && $key !== 'text' && $key !== 'bytes') {
                $value =
                    strlen($value) === 26
                        ? $to[$value] ?? $value
                        : (string) preg_replace_callback(
                            '/\b[0-9A-HJKMNP-TV-Z]{26}\b/',
                            static fn (array $id): string => $to[$id[0]] ?? $id[0],
                            $value,
                        );
            }
        });

        return $record;
    }

    /** @throws InputRefused */
    private static function guard(mixed $format, mixed $version): void
    {
        if ($format !== self::FORMAT) {
            throw new InputRefused('file', 'This is not a site file: it has no "format": "'.self::FORMAT.'".');
        }
        if ($version !== self::VERSION) {
            throw new InputRefused(
                'file',
                sprintf(
                    'This site file was written in version %s, which is not known here; version %d is.',
                    is_scalar($version) ? (string) $version : '?',
                    self::VERSION,
                ),
            );
        }
    }

    private static function opened(string $line): ?string
    {
        return preg_match('/^"([a-z-]+)":\[$/D', ltrim($line, ','), $of) === 1 ? $of[1] : null;
    }

    /**
     * @return array<mixed>
     *
     * @throws InputRefused
     */
    private static function record(string $line, int $n): array
    {
        $record = json_decode(rtrim($line, ','), true, 100);

        return is_array($record) ? $record : throw new InputRefused('file', "Line $n of the site file is no JSON object.");
    }

    /**
     * @return iterable<array{string, array<mixed>}>
     *
     * @throws InputRefused
     */
    private static function whole(string $text): iterable
    {
        $file = json_decode($text, true, 100);
        if (! is_array($file)) {
            throw new InputRefused('file', 'This is not a site file: it is not a JSON document.');
        }
        self::guard($file['format'] ?? null, $file['version'] ?? null);
        yield ['site', is_array($file['site'] ?? null) ? $file['site'] : []];
        foreach (self::LISTS as $list) {
            foreach (is_array($file[$list] ?? null) ? $file[$list] : [] as $i => $record) {
                yield [$list, is_array($record) ? $record : throw new InputRefused('file', "$list, number ".($i + 1).': this is no object.')];
            }
        }
    }

    /** @param  array<mixed>  $record */
    public static function identity(array $record): ?string
    {
        return Identity::names($record['id'] ?? null) ? $record['id'] : null;
    }
}
