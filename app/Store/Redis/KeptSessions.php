<?php

declare(strict_types=1);

namespace App\Store\Redis;

use Illuminate\Contracts\Container\Container;
use Illuminate\Contracts\Redis\Factory;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Session\DatabaseSessionHandler;

/**
 * Sessions in the database, which Redis holds besides for as long as a minute: nobody is signed out because Redis is gone, and
 * who was signed out while it could not be told stays signed in for no longer than that.
 */
final class KeptSessions extends DatabaseSessionHandler
{
    private const SECONDS = 60;

    public function __construct(ConnectionInterface $connection, int $minutes, Container $container, private readonly Factory $redis)
    {
        parent::__construct($connection, 'sessions', $minutes, $container);
    }

    /** Tells Redis of sessions that have ended; where it is away, it holds them for no longer than a minute. */
    public static function ended(Factory $redis, string ...$ids): void
    {
        try {
            foreach ($ids as $id) {
                $redis->connection()->command('setex', [self::key($id), self::SECONDS, '']);
            }
        } catch (\RedisException) {
        }
    }

    /** @param  string  $sessionId */
    public function read($sessionId): string
    {
        try {
            $kept = $this->redis->connection()->command('get', [self::key($sessionId)]);
        } catch (\RedisException) {
            $kept = false;
        }
        if (is_string($kept)) {
            $this->exists = $kept !== '';

            return $kept;
        }
        $read = (string) parent::read($sessionId);
        // What somebody else has written meanwhile is newer.
        $read === '' || $this->keep($sessionId, $read, ['nx', 'ex' => self::SECONDS]);

        return $read;
    }

    /**
     * @param  string  $sessionId
     * @param  string  $data
     */
    public function write($sessionId, $data): bool
    {
        parent::write($sessionId, $data);
        // A session that was ended elsewhere while this was answered stays so.
        if ($this->getQuery()->where('id', $sessionId)->exists()) {
            $this->keep($sessionId, $data, ['ex' => self::SECONDS]);
        }

        return true;
    }

    /** @param  string  $sessionId */
    public function destroy($sessionId): bool
    {
        parent::destroy($sessionId);
        self::ended($this->redis, $sessionId);

        return true;
    }

    /** @param  array<int|string, int|string>  $how */
    private function keep(string $id, string $payload, array $how): void
    {
        try {
            $this->redis->connection()->command('set', [self::key($id), $payload, $how]);
        } catch (\RedisException) {
        }
    }

    /** The name tells nobody the session. */
    private static function key(string $id): string
    {
        return 'session '.hash('sha256', $id);
    }
}
