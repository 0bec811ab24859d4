<?php

declare(strict_types=1);

namespace Tests\App;

use App\Store\Redis\RedisAway;
use Launch\Ports;
use Symfony\Component\Process\Process;

/** A Redis of the test's own, which comes and goes. */
trait RunsRedis
{
    private ?Process $redis = null;

    private int $redisPort = 0;

    private function startRedis(): void
    {
        $this->redisPort = $this->redisPort ?: Ports::free(random_int(20000, 24000));
        $this->redis = new Process(
            [
                'redis-server',
                '--port',
                (string) $this->redisPort,
                '--bind',
                '127.0.0.1',
                '--save',
                '',
                '--appendonly',
                'no',
                '--dir',
                sys_get_temp_dir(),
            ],
            timeout: null,
        );
        $this->redis->start();
        $this->redis->waitUntil(static fn (string $type, string $said): bool => str_contains($said, 'Ready to accept connections'));
        self::assertTrue($this->redis->isRunning(), $this->redis->getOutput());
        RedisAway::forget();
    }

    private function killRedis(): void
    {
        $this->redis?->isRunning() && $this->redis->signal(SIGKILL);
        $this->redis?->wait();
        $this->redis = null;
    }

    private function redisUrl(): string
    {
        return "redis://127.0.0.1:{$this->redisPort}/1";
    }
}
