<?php

declare(strict_types=1);

namespace App\Store\Redis;

/** Hits noted in Redis, where it is given: what a node has noted is counted also when that node is gone. */
final class HitList
{
    private const LIST = RedisAddress::PREFIX.'hits';

    private const BATCHES = RedisAddress::PREFIX.'hit-batches';

    /** Lines read at once. */
    private const PIECE = 1000;

    private ?\Redis $redis = null;

    public function __construct(private readonly RedisAddress $address)
    {
    }

    /** @param  string|null  $url  as HERONSTEM_REDIS has it */
    public static function at(?string $url): ?self
    {
        $address = $url === null || ! extension_loaded('redis') ? null : RedisAddress::of($url);

        return $address === null ? null : new self($address);
    }

    /** @return bool whether it was noted */
    public function note(string $line): bool
    {
        return $this->tried(static fn (\Redis $redis): bool => is_int($redis->rPush(self::LIST, $line)), false);
    }

    /** @return int bytes, about, that wait to be counted */
    public function waiting(): int
    {
        return $this->tried(
            static fn (\Redis $redis): int => array_sum(
                array_map(static fn (string $name): int => 100 * (int) $redis->lLen($name), [
                    self::LIST,
                    ...array_values((array) $redis->sMembers(self::BATCHES)),
                ]),
            ),
            0,
        );
    }

    /**
     * Takes what was noted since the last time out of the way of those who note.
     *
     * @return list<string> names of what is to be counted, also what somebody began to count who is gone
     */
    public function batches(): array
    {
        return $this->tried(static function (\Redis $redis): array {
            if ((int) $redis->exists(self::LIST) > 0) {
                $name = RedisAddress::PREFIX.'batch-'.bin2hex(random_bytes(8));
                // Named before it is there: a batch that nobody knows of would never be counted.
                $redis->sAdd(self::BATCHES, $name);
                $redis->rename(self::LIST, $name);
            }

            return array_map(strval(...), array_values((array) $redis->sMembers(self::BATCHES)));
        }, []);
    }

    /**
     * @return iterable<string>
     *
     * @throws \RedisException when it is gone meanwhile: a batch is counted whole or not
     */
    public function lines(string $batch): iterable
    {
        for ($from = 0; ($lines = (array) $this->redis()->lRange($batch, $from, $from + self::PIECE - 1)) !== []; $from += self::PIECE) {
            yield from array_map(strval(...), array_values($lines));
        }
    }

    public function drop(string $batch): void
    {
        $this->tried(static function (\Redis $redis) use ($batch): bool {
            $redis->del($batch);
            $redis->sRem(self::BATCHES, $batch);

            return true;
        }, false);
    }

    /**
     * @template T
     *
     * @param  \Closure(\Redis): T  $work
     * @param  T  $otherwise
     * @return T
     */
    private function tried(\Closure $work, mixed $otherwise): mixed
    {
        // One that was begun anew has lost whoever was connected: they connect again.
        for ($tries = $this->redis === null ? 1 : 2; $tries > 0; $tries--) {
            try {
                return $work($this->redis());
            } catch (\RedisException $error) {
                $this->redis = null;
                if ($tries === 1) {
                    $error instanceof RedisAway || RedisAway::note();
                }
            }
        }

        return $otherwise;
    }

    /** @throws \RedisException */
    private function redis(): \Redis
    {
        RedisAway::guard();
        if ($this->redis === null) {
            $redis = new \Redis();
            $of = $this->address;
            // One that stays open has to be one of its own: the framework's chooses databases and prefixes.
            $redis->pconnect(
                ($of->isSecure ? 'tls://' : '').$of->host,
                $of->port,
                RedisAddress::CONNECT,
                'heronstem hits',
                0,
                RedisAddress::ANSWER,
            );
            $of->password === null || $redis->auth($of->user === null ? $of->password : [$of->user, $of->password]);
            $of->database === 0 || $redis->select($of->database);
            $this->redis = $redis;
        }

        return $this->redis;
    }
}
