<?php

declare(strict_types=1);

namespace App\Store;

/** Writes a file beside its place and moves it there, so that nobody reads half of it. */
final class WholeFile
{
    /** @return bool whether it is there; where there is no room, nothing of it is left */
    public static function put(string $file, string $text): bool
    {
        $half = $file.'.'.bin2hex(random_bytes(6));
        if (@file_put_contents($half, $text) === false) {
            @unlink($half);

            return false;
        }

        return rename($half, $file);
    }
}
