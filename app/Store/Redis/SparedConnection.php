<?php

declare(strict_types=1);

namespace App\Store\Redis;

use Illuminate\Redis\Connections\PhpRedisConnection;

/** The framework's own, which is made anew once where it was lost, and then not asked again for some seconds. */
final class SparedConnection extends PhpRedisConnection
{
    /**
     * @param  string  $method
     * @param  array<mixed>  $parameters
     */
    public function command($method, array $parameters = []): mixed
    {
        RedisAway::guard();
        try {
            return $this->twice($method, $parameters);
        } catch (\RedisException $error) {
            RedisAway::note();
            throw $error;
        }
    }

    /** @param  array<mixed>  $parameters */
    private function twice(string $method, array $parameters): mixed
    {
        $client = $this->client;
        try {
            return parent::command($method, $parameters);
        } catch (\RedisException $lost) {
            // What was there before it was begun anew has been connected to again by now.
            return $this->client === $client || str_contains($lost->getMessage(), 'read error') ? throw $lost : parent::command($method, $parameters);
        }
    }
}
