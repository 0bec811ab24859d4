<?php

declare(strict_types=1);

namespace App\Desk\Files;

use Illuminate\Contracts\Filesystem\Factory as Disks;
use Illuminate\Contracts\Filesystem\Filesystem;

/** Writes to the disk of files: to the end, or not at all. A full disk says so only to those who look. */
final readonly class FileDisk
{
    /** @param  string|null  $name  of the disk; null for the one that is set */
    public function __construct(private Disks $disks, private ?string $name = null)
    {
    }

    /**
     * @param  string|resource  $bytes
     *
     * @throws NoRoom
     */
    public function put(string $path, $bytes): void
    {
        $disk = $this->disk();
        $expected = self::length($bytes);
        try {
            $isDone = $disk->put($path, $bytes) === true;
        } catch (\Throwable $fault) {
            $disk->delete($path);
            throw $fault;
        }
        // Of a stream whose length nobody knows, what was not read was not written.
        $isRead = ! is_resource($bytes) || feof($bytes) || fgetc($bytes) === false;
        if (! $isDone || ! ($expected === null ? $isRead : $disk->size($path) === $expected)) {
            $disk->delete($path);
            throw new NoRoom();
        }
    }

    public function disk(): Filesystem
    {
        return $this->disks->disk($this->name ?? config('heronstem.files_disk'));
    }

    /**
     * @param  string|resource  $bytes
     * @return int|null null where only reading it would tell
     */
    private static function length($bytes): ?int
    {
        if (is_string($bytes)) {
            return strlen($bytes);
        }
        $size = fstat($bytes)['size'] ?? 0;

        return $size > 0 && ftell($bytes) === 0 ? $size : null;
    }
}
