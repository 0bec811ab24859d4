<?php

declare(strict_types=1);

namespace App\Store\Redis;

use App\Store\SharedMemory;

/**
 * Redis could not be reached a moment ago, and is left alone for some seconds: else each question would wait for it. Whoever asks
 * goes on without it.
 */
final class RedisAway extends \RedisException
{
    /** Seconds for which it is left alone. */
    private const LEFT_ALONE = 5;

    private const KEY = 'heronstem redis away';

    private static float $until = 0.0;

    /** @throws self while it is left alone */
    public static function guard(): void
    {
        if (self::isSo()) {
            throw new self('Redis is left alone for some seconds, since it could not be reached.');
        }
    }

    /** Known to all processes of a node where their memory is shared, else to this one. */
    public static function isSo(): bool
    {
        return self::$until > microtime(true) || (SharedMemory::isThere() && apcu_exists(self::KEY));
    }

    public static function note(): void
    {
        self::$until = microtime(true) + self::LEFT_ALONE;
        SharedMemory::isThere() && apcu_store(self::KEY, true, self::LEFT_ALONE);
    }

    /** For tests, and for who knows that it is there again. */
    public static function forget(): void
    {
        self::$until = 0.0;
        SharedMemory::isThere() && apcu_delete(self::KEY);
    }
}
