<?php

declare(strict_types=1);

namespace App\Desk\Files;

use Illuminate\Contracts\Filesystem\Factory as Disks;
use Illuminate\Contracts\Filesystem\Filesystem;

/** Writes to the disk of files: to the end, or not at all. A full disk says so only to those who look. */
final readonly class FileDisk
{
    public function __construct(private Disks $disks)
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
        $expected = is_string($bytes) ? strlen($bytes) : null;
        try {
            $isDone = $disk->put($path, $bytes) === true;
        } catch (\Throwable $fault) {
            $disk->delete($path);
            throw $fault;
        }
        // Of what comes as a stream, the part that was not read is what was not written.
        $isWhole =
            $expected === null ? is_resource($bytes) && (feof($bytes) || fgetc($bytes) === false) : $isDone && $disk->size($path) === $expected;
        if (! $isDone || ! $isWhole) {
            $disk->delete($path);
            throw new NoRoom();
        }
    }

    public function disk(): Filesystem
    {
        return $this->disks->disk(config('heronstem.files_disk'));
    }
}
