<?php

declare(strict_types=1);

namespace App\Store;

use Illuminate\Contracts\Queue\Factory;
use Illuminate\Database\ConnectionInterface;

/** Work in the background that has not been done yet: in the database, and in Redis where that is given. */
final readonly class WaitingJobs
{
    public function __construct(private ConnectionInterface $db, private Factory $queues)
    {
    }

    /** @return int jobs that wait or run */
    public function count(): int
    {
        return (int) $this->db->table('jobs')->count() + $this->inRedis();
    }

    /** @return int seconds for which the oldest has waited that could begin */
    public function oldest(): int
    {
        $now = now()->getTimestamp();

        return $now -
            (int) $this->db->scalar('select coalesce(min(available_at), ?) from jobs where reserved_at is null and available_at <= ?', [$now, $now]);
    }

    private function inRedis(): int
    {
        try {
            return config('queue.worked_out') === 'failover' ? $this->queues->connection('redis')->size() : 0;
        } catch (\RedisException) {
            return 0;
        }
    }
}
