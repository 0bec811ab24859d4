<?php

declare(strict_types=1);

namespace App\Desk\BringIn;

use Heronstem\Core\InputRefused;
use ZipArchive;

/**
 * What was given, as files: one, or those of a ZIP file. Everything is bounded before it is unpacked: count, size of each and of
 * all, and how much it grows; paths that climb, links and what is encrypted are dropped and told.
 */
final class SourceFiles
{
    /** Most bytes of one text. */
    public const MAX_TEXT = 64_000_000;

    /** Most files in a folder. */
    public const MAX_FILES = 50_000;

    /** Most bytes of one file in a folder. */
    public const MAX_FILE = 32_000_000;

    /** Most bytes of a folder when unpacked. */
    public const MAX_ALL = 2_000_000_000;

    /** Most times that a file may grow when unpacked, beyond the first megabyte: text packs to a tenth, a bomb to a thousandth. */
    private const MAX_GROWTH = 250;

    /** @var array<string, int> number in the archive, by path */
    private array $entries = [];

    /** @var list<string> what was dropped, and why */
    public array $left = [];

    private ?ZipArchive $zip = null;

    private ?string $text = null;

    private function __construct(public readonly string $name, private readonly string $path)
    {
    }

    /**
     * @param  string  $path  of the bytes, on the local disk
     * @param  string  $name  as it was called where it comes from
     *
     * @throws InputRefused where it is too much, or cannot be unpacked
     */
    public static function open(string $path, string $name): self
    {
        $self = new self($name, $path);
        $head = (string) file_get_contents($path, false, null, 0, 4);
        if (str_starts_with($head, "PK\x03\x04") || str_starts_with($head, "PK\x05\x06")) {
            $self->unpack($path);
        } elseif (str_starts_with($head, "\x1F\x8B")) {
            $self->text = self::gunzipped($path);
        }

        return $self;
    }

    public function isFolder(): bool
    {
        return $this->zip !== null;
    }

    /** The first bytes of the one file that it is. */
    public function head(): string
    {
        return substr($this->text ?? (string) file_get_contents($this->path, false, null, 0, 4000), 0, 4000);
    }

    /**
     * The one file that it is.
     *
     * @throws InputRefused where it is too much to be held
     */
    public function text(): string
    {
        if ($this->text === null && (int) filesize($this->path) > self::MAX_TEXT) {
            throw new InputRefused('file', sprintf('This file has more than %d MB. Give it in parts.', self::MAX_TEXT / 1_000_000));
        }

        return $this->text ?? (string) file_get_contents($this->path);
    }

    /**
     * The one file that it is, line by line, however large it is.
     *
     * @return iterable<string>
     *
     * @throws InputRefused where a line is too long
     */
    public function lines(): iterable
    {
        if ($this->text !== null) {
            yield from explode("\n", $this->text);

            return;
        }
        $file = fopen($this->path, 'rb');
        while ($file !== false && ($line = fgets($file, self::MAX_TEXT)) !== false) {
            if (strlen($line) >= self::MAX_TEXT - 1) {
                throw new InputRefused('file', sprintf('A line of this file has more than %d MB.', self::MAX_TEXT / 1_000_000));
            }
            yield $line;
        }
        $file === false ?: fclose($file);
    }

    /** @return list<string> */
    public function names(): array
    {
        return array_map(strval(...), array_keys($this->entries));
    }

    public function has(string $path): bool
    {
        return isset($this->entries[$path]);
    }

    /** Null where there is none of this path, or it cannot be read. */
    public function bytes(string $path): ?string
    {
        if ($this->zip === null || ! isset($this->entries[$path])) {
            return null;
        }
        $stream = $this->zip->getStreamIndex($this->entries[$path]);
        $bytes = $stream === false ? false : stream_get_contents($stream, self::MAX_FILE + 1);

        return $bytes === false || strlen($bytes) > self::MAX_FILE ? null : $bytes;
    }

    /**
     * @param  \Closure(string): bool  $wanted  by path
     * @return iterable<string, string> one after the other, none kept
     */
    public function each(\Closure $wanted): iterable
    {
        foreach ($this->names() as $path) {
            if ($wanted($path)) {
                $bytes = $this->bytes($path);
                if ($bytes !== null) {
                    yield $path => $bytes;
                }
            }
        }
    }

    private function unpack(string $path): void
    {
        $zip = new ZipArchive();
        if ($zip->open($path, ZipArchive::RDONLY) !== true) {
            throw new InputRefused('file', 'This ZIP file is damaged: it cannot be opened. Pack it anew.');
        }
        if ($zip->numFiles > self::MAX_FILES) {
            throw new InputRefused(
                'file',
                sprintf('There are more than %s files in this. Give it in parts, one branch after the other.', number_format(self::MAX_FILES)),
            );
        }
        $all = 0;
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $entry = $zip->statIndex($i);
            $name = $entry === false ? null : self::cleaned($entry['name']);
            if ($entry === false || $name === '') {
                continue;
            }
            $why = $name === null ? 'its path leads out of the folder' : self::refused($zip, $i, $entry);
            if ($why !== null) {
                $this->left[] = mb_substr(mb_scrub((string) ($name ?? $entry['name']), 'UTF-8'), 0, 120).": $why";

                continue;
            }
            $all += $entry['size'];
            $this->entries[(string) $name] ??= $i;
        }
        if ($all > self::MAX_ALL) {
            throw new InputRefused('file', sprintf('Unpacked this would have more than %d GB. Give it in parts.', self::MAX_ALL / 1_000_000_000));
        }
        $this->zip = $zip;
        $this->withoutRoot();
    }

    /**
     * @param  array{size: int, comp_size: int, encryption_method?: int, ...}  $entry
     */
    private static function refused(ZipArchive $zip, int $i, array $entry): ?string
    {
        $zip->getExternalAttributesIndex($i, $system, $attributes);

        return match (true) {
            ($entry['encryption_method'] ?? 0) !== 0 => 'it is encrypted',
            $system === ZipArchive::OPSYS_UNIX && (($attributes >> 16) & 0170000) === 0120000 => 'it is a link to another file',
            $entry['size'] > self::MAX_FILE => sprintf('it has more than %d MB', self::MAX_FILE / 1_000_000),
            $entry['size'] > 1_000_000 && $entry['size'] > self::MAX_GROWTH * max(1, $entry['comp_size']) => 'it grows out of all proportion when it is unpacked',
            default => null,
        };
    }

    /** @return string|null the path in the folder, empty for what is no file of it; null where it climbs out */
    private static function cleaned(string $name): ?string
    {
        $name = str_replace('\\', '/', mb_check_encoding($name, 'UTF-8') ? $name : mb_convert_encoding($name, 'UTF-8', 'CP850'));
        if (
            str_ends_with($name, '/') ||
            str_contains($name, '__MACOSX/') ||
            preg_match('#(?:^|/)(?:\.DS_Store|Thumbs\.db|desktop\.ini)$#i', $name) === 1
        ) {
            return '';
        }
        $parts = array_values(array_filter(explode('/', $name), static fn (string $part): bool => $part !== '.' && $part !== ''));

        return str_starts_with($name, '/') ||
            preg_match('/^[A-Za-z]:/', $name) === 1 ||
            in_array('..', $parts, true) ||
            preg_match('/[\x00-\x1F]/', $name) === 1
            ? null
            : implode('/', $parts);
    }

    /** A folder that everything is in is the site, not a part of its addresses. */
    private function withoutRoot(): void
    {
        $first = $this->names()[0] ?? '';
        $root = str_contains($first, '/') ? strstr($first, '/', true).'/' : '';
        while ($root !== '' && array_filter($this->names(), static fn (string $name): bool => ! str_starts_with($name, $root)) === []) {
            $this->entries = array_combine(
                array_map(static fn (string $name): string => substr($name, strlen($root)), $this->names()),
                array_values($this->entries),
            );
            $first = $this->names()[0];
            $root = str_contains($first, '/') ? strstr($first, '/', true).'/' : '';
            // Only while nothing stands at the top: one page in one folder keeps it.
            if (count($this->entries) < 2) {
                break;
            }
        }
    }

    private static function gunzipped(string $path): string
    {
        $stream = @gzopen($path, 'rb');
        $text = '';
        while ($stream !== false && ! gzeof($stream)) {
            $piece = @gzread($stream, 1_000_000);
            if ($piece === false || $piece === '') {
                break;
            }
            $text .= $piece;
            if (strlen($text) > self::MAX_TEXT) {
                throw new InputRefused('file', sprintf('Unpacked this has more than %d MB. Give it in parts.', self::MAX_TEXT / 1_000_000));
            }
        }

        return $text === '' ? throw new InputRefused('file', 'This gzip file is damaged, or empty. Pack it anew.') : $text;
    }
}
