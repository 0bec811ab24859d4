<?php

declare(strict_types=1);

namespace App\Models;

enum Role: string
{
    case Owner = 'owner';
    case Manager = 'manager';
    case Writer = 'writer';
    case Reader = 'reader';

    /** Changes what visitors see: moves, renames, puts live and takes offline. */
    public function manages(): bool
    {
        return $this === self::Owner || $this === self::Manager;
    }

    public function writes(): bool
    {
        return $this !== self::Reader;
    }
}
