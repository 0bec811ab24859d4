<?php

declare(strict_types=1);

namespace App\Store\Redis;

use Illuminate\Contracts\Redis\Factory;

/** Whether Redis answers. */
final readonly class RedisUp
{
    public function __construct(private Factory $redis)
    {
    }

    /** @return bool|null null where there is none */
    public function isSo(): ?bool
    {
        if ((string) config('heronstem.redis') === '') {
            return null;
        }
        try {
            return $this->redis->connection()->command('ping') !== false;
        } catch (\RedisException) {
            return false;
        }
    }
}
