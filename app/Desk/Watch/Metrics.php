<?php

declare(strict_types=1);

namespace App\Desk\Watch;

use App\Desk\Cache\Node;
use App\Desk\Cache\Replica;
use App\Store\HitLog;
use App\Store\Redis\RedisUp;
use App\Store\WaitingJobs;
use Illuminate\Database\ConnectionInterface;

/** What a node says to whoever watches it, in the text format of Prometheus (version 0.0.4). */
final readonly class Metrics
{
    private const HELP = [
        'heronstem_requests_total' => ['counter', 'Requests that PHP answered, by what they were for and the class of their status.'],
        'heronstem_request_seconds' => ['summary', 'Seconds that PHP took for them.'],
        'heronstem_short_requests_total' => ['counter', 'Redirects and misses answered without the framework.'],
        'heronstem_plan_seconds' => ['summary', 'Seconds that it took to work out what follows from changes.'],
        'heronstem_cached_pages' => ['gauge', 'Pages that this node keeps rendered.'],
        'heronstem_forgets_waiting' => ['gauge', 'Changes that this node has not heeded yet.'],
        'heronstem_queue_jobs' => ['gauge', 'Jobs that wait or run.'],
        'heronstem_queue_oldest_seconds' => ['gauge', 'How long the oldest of them has waited.'],
        'heronstem_queue_failed_jobs' => ['gauge', 'Jobs that failed and were not retried.'],
        'heronstem_hits_waiting_bytes' => ['gauge', 'Uses of redirects and misses that are noted and not counted yet.'],
        'heronstem_pages' => ['gauge', 'Pages of a site.'],
        'heronstem_ledger_addresses' => ['gauge', 'Addresses in the ledger of a site.'],
        'heronstem_redis_up' => ['gauge', 'Whether Redis answers, where there is one.'],
        'heronstem_replica_used' => ['gauge', 'Whether visitors are answered from the replica, where there is one.'],
        'heronstem_up' => ['gauge', 'Whether the database answers.'],
    ];

    public function __construct(
        private ConnectionInterface $db,
        private HitLog $hits,
        private WaitingJobs $jobs,
        private RedisUp $redis,
        private Replica $replica,
    ) {
    }

    public function text(): string
    {
        $values = Measured::all() + $this->ofNode() + $this->ofDatabase();
        $text = '';
        foreach (self::HELP as $name => [$type, $help]) {
            $own = array_filter(
                $values,
                static fn (string $key): bool => preg_match("/^{$name}(?:_sum|_count)?(?:\{|$)/", $key) === 1,
                ARRAY_FILTER_USE_KEY,
            );
            if ($own !== []) {
                $text .= "# HELP $name $help\n# TYPE $name $type\n";
                foreach ($own as $key => $value) {
                    $text .= $key.' '.rtrim(rtrim(sprintf('%.6F', $value), '0'), '.')."\n";
                }
            }
        }

        return $text;
    }

    /** @return array<string, float> */
    private function ofNode(): array
    {
        return array_map(
            floatval(...),
            array_filter(
                [
                    'heronstem_hits_waiting_bytes' => $this->hits->waiting(),
                    'heronstem_redis_up' => $this->redis->isSo(),
                    'heronstem_replica_used' => $this->replica->isUsed(),
                ],
                static fn (int|bool|null $value): bool => $value !== null,
            ),
        );
    }

    /** @return array<string, float> */
    private function ofDatabase(): array
    {
        try {
            $values = ['heronstem_up' => 1.0];
            $node = Node::here()->name;
            $row = $this->db->selectOne(
                'select (select count(*) from failed_jobs) as failed, (select count(*) from cached_pages where node = ? and forgotten_at is null) as kept,
                    (select count(*) from forgets f, cache_nodes n where n.name = ? and f.xid >= pg_snapshot_xmin(split_part(n.seen, \' \', 1)::pg_snapshot) and not pg_visible_in_snapshot(f.xid, split_part(n.seen, \' \', 1)::pg_snapshot)) as waiting',
                [$node, $node],
            );
            $values['heronstem_queue_jobs'] = (float) $this->jobs->count();
            $values['heronstem_queue_oldest_seconds'] = (float) $this->jobs->oldest();
            $values['heronstem_queue_failed_jobs'] = (float) $row->failed;
            $values['heronstem_cached_pages'] = (float) $row->kept;
            $values['heronstem_forgets_waiting'] = (float) $row->waiting;
            foreach (
                $this->db->select(
                    'select s.key, (select count(*) from pages p where p.site_id = s.id) as pages, (select count(*) from ledger l where l.site_id = s.id) as addresses from sites s where s.deleted_at is null order by s.key',
                ) as $site
            ) {
                $values["heronstem_pages{site=\"{$site->key}\"}"] = (float) $site->pages;
                $values["heronstem_ledger_addresses{site=\"{$site->key}\"}"] = (float) $site->addresses;
            }

            return $values;
        } catch (\PDOException) {
            return ['heronstem_up' => 0.0];
        }
    }
}
