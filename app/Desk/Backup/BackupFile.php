<?php

declare(strict_types=1);

namespace App\Desk\Backup;

use ZipArchive;

/** A backup as it lies on a disk: opened, looked through, taken apart. */
final readonly class BackupFile
{
    private ZipArchive $zip;

    /**
     * @param  string|null  $key  that it was encrypted with
     *
     * @throws BackupFailed where it is none
     */
    public function __construct(private string $path, #[\SensitiveParameter] ?string $key)
    {
        $this->zip = new ZipArchive();
        if (! is_file($path) || $this->zip->open($path, ZipArchive::RDONLY) !== true) {
            throw new BackupFailed("$path cannot be read as a backup: it is not there, or was cut short.");
        }
        $key === null || $this->zip->setPassword($key);
    }

    /** @return array{at: string, key: string, counts: array<string, int>, missing: list<string>, sha256: array<string, string>} */
    public function manifest(): array
    {
        $said = json_decode((string) $this->zip->getFromName('manifest.json'), true);
        if (! is_array($said) || ($said['format'] ?? null) !== 'heronstem-backup' || ! is_array($said['sha256'] ?? null)) {
            throw new BackupFailed("{$this->path} is no backup of this application.");
        }
        if (($said['version'] ?? 0) !== BackUp::VERSION) {
            throw new BackupFailed("{$this->path} was made by another version, which has to restore it.");
        }

        return $said; // @phpstan-ignore return.type (as this version writes it)
    }

    /** @throws BackupFailed naming the first part that is not as it was written */
    public function verify(): void
    {
        foreach ($this->manifest()['sha256'] as $name => $sum) {
            $stream = $this->stream($name);
            $hash = hash_init('sha256');
            // Of a damaged part less is read, which its sum shows.
            @hash_update_stream($hash, $stream);
            fclose($stream);
            if (! hash_equals($sum, hash_final($hash))) {
                throw new BackupFailed("$name in {$this->path} is not as it was written: the backup is damaged.");
            }
        }
    }

    /** @return resource */
    public function stream(string $name)
    {
        $stream = @$this->zip->getStream($name);

        return $stream !== false ? $stream : throw new BackupFailed("$name in {$this->path} cannot be read: the key is another, or it is damaged.");
    }
}
