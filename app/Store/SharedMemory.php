<?php

declare(strict_types=1);

namespace App\Store;

/** The memory that the workers of a node share (APCu): there for what nginx asks, and not on the command line. */
final class SharedMemory
{
    public static function isThere(): bool
    {
        return function_exists('apcu_enabled') && apcu_enabled();
    }
}
