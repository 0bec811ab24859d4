<?php

declare(strict_types=1);

namespace App\Console;

use App\Desk\Backup\BackupFailed;

/** The key of a backup is read from a file: what stands in a command is seen by everybody on the machine. */
trait ReadsKeyFile
{
    private const SHORTEST = 16;

    private function keyOf(mixed $file): ?string
    {
        if (! is_string($file) || $file === '') {
            return null;
        }
        $key = is_file($file) ? trim(strtok((string) file_get_contents($file), "\n") ?: '') : '';

        return strlen($key) >= self::SHORTEST
            ? $key
            : throw new BackupFailed("The first line of $file has to be a key of at least ".self::SHORTEST.' signs.');
    }
}
