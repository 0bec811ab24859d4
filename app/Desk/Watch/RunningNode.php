<?php

declare(strict_types=1);

namespace App\Desk\Watch;

use App\Desk\Cache\Replica;
use App\Store\HitLog;
use App\Store\Redis\RedisUp;
use App\Store\WaitingJobs;
use Illuminate\Database\ConnectionInterface;

/** Whether what runs beside the web server does its work: jobs, the schedule, the clock of the cache, mail. */
final readonly class RunningNode
{
    /** Seconds for which a job may wait. */
    private const WAITS = 300;

    /** Bytes of hits that wait: more, and nobody counts them. */
    private const HITS = 4 * 1024 * 1024;

    public function __construct(
        private ConnectionInterface $db,
        private HitLog $hits,
        private WaitingJobs $jobs,
        private RedisUp $redis,
        private Replica $replica,
    ) {
    }

    /** @return array<string, string|null> as ReadyNode says it */
    public function problems(): array
    {
        $waited = $this->jobs->oldest();
        $failed = (int) $this->db->scalar('select count(*) from failed_jobs');
        $behind = $this->db->selectOne(
            "select name from cache_nodes where at < now() - interval '30 seconds' and at > now() - interval '1 hour' limit 1",
        );
        $version = (int) $this->db->scalar('show server_version_num');

        return [
            'postgresql' => $version >= 140000 ? null : "PostgreSQL 14 or later is needed; this is {$this->db->scalar('show server_version')}.",
            'queue' => $waited <= self::WAITS
                    ? null
                    : sprintf('A job has waited for %d minutes: no worker runs. ./heronstem demo and serve start one.', intdiv($waited, 60)),
            'failed jobs' => $failed === 0 ? null : "$failed jobs failed. They are listed in the editor under Site, and may be tried again there.",
            'schedule' => $this->hits->waiting() <= self::HITS
                    ? null
                    : 'Uses of redirects wait to be counted: the schedule does not run. ./heronstem demo and serve start it.',
            'redis' => $this->redis->isSo() !== false
                    ? null
                    : 'Redis cannot be reached where HERONSTEM_REDIS says that it is. Everything works without it, and slower.',
            'replica' => $this->replica->isUsed() !== false
                    ? null
                    : 'The replica is away, or behind: visitors are answered from the primary until it follows again.',
            'cache of pages' => $behind === null ? null : "The node {$behind->name} does not heed changes: heronstem:forget does not run there.",
        ];
    }
}
