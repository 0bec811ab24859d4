<?php

declare(strict_types=1);

namespace App\Store;

/** Where a file is served on its site. */
final class FileAddress
{
    public static function of(string $ulid, string $name): string
    {
        return "/_files/$ulid/".rawurlencode($name);
    }
}
