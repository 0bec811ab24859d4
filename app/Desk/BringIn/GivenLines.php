<?php

declare(strict_types=1);

namespace App\Desk\BringIn;

use App\Desk\Files\FileDisk;
use App\Desk\Files\NoRoom;
use App\Models\SiteImport;
use Heronstem\Core\Interchange\Pages\GivenPage;

/** What was given, kept on the disk of files: as it came, and the pages that were read of it, one a line. */
final readonly class GivenLines
{
    public function __construct(private FileDisk $disk)
    {
    }

    /** @param  resource|string  $bytes */
    public function keep(SiteImport $import, $bytes): void
    {
        $this->disk->put($import->path('given'), $bytes);
    }

    public function open(SiteImport $import): SourceFiles
    {
        // Archives are opened by path, wherever files are kept.
        $local = $this->local($import);
        $stream = $this->disk->disk()->readStream($import->path('given'));
        $to = fopen($local, 'wb');
        if ($stream === null || $to === false) {
            throw new \RuntimeException('What was given is no longer kept.');
        }
        $copied = @stream_copy_to_stream($stream, $to);
        fclose($to);
        $copied === $this->size($import) || throw new NoRoom();

        return SourceFiles::open($local, $import->name);
    }

    /** @return int bytes of what was given */
    public function size(SiteImport $import): int
    {
        return $this->disk->disk()->exists($import->path('given')) ? $this->disk->disk()->size($import->path('given')) : 0;
    }

    public function close(SiteImport $import): void
    {
        @unlink($this->local($import));
    }

    /** @param  iterable<GivenPage>  $pages */
    public function write(SiteImport $import, iterable $pages): void
    {
        $lines = tmpfile() ?: throw new \RuntimeException('There is no room for temporary files.');
        foreach ($pages as $page) {
            $line = self::json($page->toArray())."\n";
            // A full disk takes a part of it, and says so only here.
            @fwrite($lines, $line) === strlen($line) || throw new NoRoom();
        }
        rewind($lines);
        $this->disk->put($import->path('pages.jsonl'), $lines);
    }

    /**
     * As JSON that the database takes as well: bytes that are no UTF-8 are replaced, NUL is dropped.
     *
     * @param  array<string, mixed>  $said
     */
    public static function json(array $said): string
    {
        $json = json_encode($said, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_INVALID_UTF8_SUBSTITUTE);

        return (string) preg_replace('/(?<!\\\\)(?:\\\\\\\\)*\K\\\\u0000/', '', $json);
    }

    /** @return iterable<GivenPage> */
    public function pages(SiteImport $import): iterable
    {
        $stream = $this->disk->disk()->readStream($import->path('pages.jsonl'));
        while ($stream !== null && ($line = fgets($stream)) !== false) {
            yield GivenPage::fromArray(json_decode($line, true, 100, JSON_THROW_ON_ERROR));
        }
    }

    public function forget(SiteImport $import): void
    {
        $this->disk->disk()->deleteDirectory(dirname($import->path('given')));
    }

    private function local(SiteImport $import): string
    {
        return sys_get_temp_dir()."/heronstem-import-{$import->ulid}-".getmypid();
    }
}
