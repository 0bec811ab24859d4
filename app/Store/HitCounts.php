<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Illuminate\Database\ConnectionInterface;

/** Hits of one redirect, or of one missed address, as they were counted. */
final readonly class HitCounts
{
    /** Most referring hosts. */
    private const MAX_ROWS = 20;

    /**
     * @param  literal-string  $table  redirect_hits or missed_hits
     * @param  literal-string  $column  that says of what
     */
    public function __construct(private ConnectionInterface $db, private string $table, private string $column)
    {
    }

    /** How far back each span goes, in its own unit, with the one that is running. */
    public const SPANS = ['day' => 42, 'week' => 26, 'month' => 24];

    /**
     * @param  string  $span  one of SPANS
     * @return list<array{day: string, hits: int, bots: int}> by its first day, the oldest first
     */
    public function days(Site $site, string $of, string $span = 'day'): array
    {
        $back = self::SPANS[$span] - 1;

        return array_map(
            static fn (\stdClass $row): array => ['day' => $row->day, 'hits' => (int) $row->hits, 'bots' => (int) $row->bots],
            array_values(
                $this->db->select(
                    "select d::date::text as day, coalesce(sum(h.hits) filter (where not h.bots), 0) as hits, coalesce(sum(h.hits) filter (where h.bots), 0) as bots
             from generate_series(date_trunc('$span', current_date) - interval '$back $span', current_date, interval '1 $span') d left
                 join {$this->table} h on h.site_id = ? and h.{$this->column} = ? and h.day >= d::date and h.day < (d + interval '1 $span')::date group by d order by d",
                    [$site->id, $of],
                ),
            ),
        );
    }

    /** @return list<array{host: string, hits: int}> the most first; an empty host for who typed it */
    public function referrers(Site $site, string $of): array
    {
        return array_map(
            static fn (\stdClass $row): array => ['host' => $row->referrer, 'hits' => (int) $row->hits],
            array_values(
                $this->db->select(
                    "select referrer, sum(hits) as hits from {$this->table} where site_id = ? and {$this->column} = ? and not bots group by referrer
                        order by hits desc, referrer limit ".self::MAX_ROWS,
                    [$site->id, $of],
                ),
            ),
        );
    }
}
