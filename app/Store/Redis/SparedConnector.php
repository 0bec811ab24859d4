<?php

declare(strict_types=1);

namespace App\Store\Redis;

use Illuminate\Redis\Connectors\PhpRedisConnector;

/** Connects as the framework does, and not again for some seconds after it failed. */
final class SparedConnector extends PhpRedisConnector
{
    /**
     * @param  array<string, mixed>  $config
     * @param  array<string, mixed>  $options
     */
    public function connect(array $config, array $options): SparedConnection
    {
        $connector = function () use ($config, $options): \Redis {
            RedisAway::guard();
            try {
                return $this->createClient([...$config, ...$options, ...isset($config['prefix']) ? ['prefix' => $config['prefix']] : []]);
            } catch (\Throwable $error) {
                RedisAway::note();
                throw $error;
            }
        };

        return new SparedConnection($connector(), $connector, $config);
    }
}
