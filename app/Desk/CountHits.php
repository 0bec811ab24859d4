<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Site;
use App\Store\HitLog;
use App\Store\PgArray;
use App\Store\Searches;
use Heronstem\Core\Address\NormalForm;
use Heronstem\Core\Redirect\RequestOrigin;
use Illuminate\Database\ConnectionInterface;

/** Counts what the hit log has noted: a few statements a batch, each batch once. */
final readonly class CountHits
{
    public function __construct(private ConnectionInterface $db, private HitLog $log, private Searches $searches)
    {
    }

    /** Referring hosts told apart for one redirect or missed address; what comes from more is counted together. */
    private const MAX_REFERRERS = 100;

    /** Stands for all other referring hosts. */
    private const OTHERS = '(others)';

    /** Missed addresses kept for one site; beyond that the ones asked for longest ago make room. */
    private const MAX_MISSED = 50_000;

    /** Missed addresses in one batch after which room is made at once, rather than once a day. */
    private const MAX_NEW = 1000;

    /** Days for which hits are kept: two years, so that one season is compared with the one before. */
    private const KEPT_DAYS = 750;

    public function count(): void
    {
        $batches = $this->log->batches();
        if ($batches === []) {
            return;
        }
        $missed = 0;
        foreach ($batches as $batch) {
            $this->db->transaction(function () use ($batch, &$missed): void {
                if ($this->db->affectingStatement('insert into counted_batches (name) values (?) on conflict do nothing', [basename($batch)]) === 1) {
                    $missed += $this->add($batch);
                }
            });
            $this->log->drop($batch);
        }
        if ($this->db->delete("delete from counted_batches where counted_at < now() - interval '1 day'") > 0 || $missed > self::MAX_NEW) {
            $this->prune();
        }
    }

    /** @return int how many addresses were missed */
    private function add(string $batch): int
    {
        $used = $missed = $addresses = $searched = [];
        $rules = [];
        foreach ($this->log->lines($batch) as [$site, $kind, $what, $day, $referrer, $isBot, $at]) {
            if ($kind === 'searched') {
                if (! $isBot) {
                    $known = $searched["$site $what"] ?? ['site' => $site, 'words' => $what, 'times' => 0, 'first' => $at];
                    $searched["$site $what"] = [...$known, 'outcome' => $referrer, 'times' => $known['times'] + 1, 'last' => $at];
                }

                continue;
            }
            $line = [(int) $site, $what, $day, $referrer, (bool) $isBot];
            if ($kind === 'rule') {
                $same = (string) json_encode($line);
                $used[$same] = [...$line, ($used[$same][5] ?? 0) + 1];

                continue;
            }
            $rules[$site] ??= Site::query()->find($site)?->rules();
            if ($rules[$site] === null) {
                continue;
            }
            $line[1] = NormalForm::key($what, $rules[$site]);
            $same = (string) json_encode($line);
            $missed[$same] = [...$line, ($missed[$same][5] ?? 0) + 1];
            $known = $addresses["$site {$line[1]}"] ?? null;
            $addresses["$site {$line[1]}"] = [
                'site' => (int) $site,
                'key' => $line[1],
                'address' => $what,
                'noise' => RequestOrigin::isNoise($what),
                'first' => min($known['first'] ?? $at, $at),
                'last' => max($known['last'] ?? $at, $at),
            ];
        }
        $used = $this->withFewReferrers('redirect_hits', 'rule', array_values($used));
        $missed = $this->withFewReferrers('missed_hits', 'key', array_values($missed));
        $fields = ['site', 'what', 'day', 'referrer', 'bots', 'hits'];
        $rows = static fn (array $counted): string => json_encode(
            array_map(static fn (array $line): array => array_combine($fields, $line), array_values($counted)),
            JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE,
        );
        $shape = 'jsonb_to_recordset(?::jsonb) as n(site bigint, what text, day date, referrer text, bots boolean, hits bigint)';
        $this->db->insert(
            "insert into redirect_hits (site_id, rule, day, referrer, bots, hits) select n.site, n.what, n.day, n.referrer, n.bots, n.hits from $shape join sites s on s.id = n.site
            on conflict (site_id, rule, day, referrer, bots) do update set hits = redirect_hits.hits + excluded.hits",
            [$rows($used)],
        );
        $this->db->insert(
            'insert into missed_addresses (site_id, key, address, noise, first_at, last_at)
            select n.site, n.key, n.address, n.noise, to_timestamp(n.first), to_timestamp(n.last)
                from jsonb_to_recordset(?::jsonb) as n(site bigint, key text, address text, noise boolean, first bigint, last bigint)
                join sites s on s.id = n.site
            on conflict (site_id, key) do update set last_at = greatest(missed_addresses.last_at, excluded.last_at)',
            [json_encode(array_values($addresses), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE)],
        );
        $this->db->insert(
            "insert into missed_hits (site_id, key, day, referrer, bots, hits) select n.site, n.what, n.day, n.referrer, n.bots, n.hits from $shape
                join missed_addresses m on m.site_id = n.site and m.key = n.what
            on conflict (site_id, key, day, referrer, bots) do update set hits = missed_hits.hits + excluded.hits",
            [$rows($missed)],
        );

        $this->searches->add(array_values($searched));

        return count($addresses);
    }

    /**
     * Whoever names a new host in each request must not make a row of each.
     *
     * @param  list<array{int, string, string, string, bool, int}>  $lines  site, what, day, referrer, whether a program, and how often
     * @return list<array{int, string, string, string, bool, int}>
     */
    private function withFewReferrers(string $table, string $column, array $lines): array
    {
        $known = [];
        foreach (
            $lines === []
                ? []
                : $this->db->select("select site_id, $column as what, referrer from $table where $column = any(?::text[]) group by 1, 2, 3", [
                    PgArray::of(array_unique(array_column($lines, 1))),
                ]) as $row
        ) {
            $known["{$row->site_id} {$row->what}"][$row->referrer] = true;
        }
        $counted = [];
        foreach ($lines as [$site, $what, $day, $referrer, $isBot, $hits]) {
            $of = "$site $what";
            if (! isset($known[$of][$referrer]) && count($known[$of] ?? []) >= self::MAX_REFERRERS) {
                $referrer = self::OTHERS;
            }
            $known[$of][$referrer] = true;
            $same = (string) json_encode([$site, $what, $day, $referrer, $isBot]);
            $counted[$same] = [$site, $what, $day, $referrer, $isBot, ($counted[$same][5] ?? 0) + $hits];
        }

        return array_values($counted);
    }

    /** What is too old to be compared with, and misses beyond what is kept, go. */
    public function prune(): void
    {
        $this->searches->prune(self::KEPT_DAYS);
        foreach (['redirect_hits', 'missed_hits'] as $table) {
            $this->db->delete("delete from $table where day < current_date - ?::int", [self::KEPT_DAYS]);
        }
        foreach ($this->db->select('select site_id from missed_addresses group by site_id having count(*) > ?', [self::MAX_MISSED]) as $row) {
            $this->db->delete(
                'delete from missed_addresses where site_id = ? and not ignored and key in (select key from missed_addresses
                    where site_id = ? and not ignored order by noise desc, last_at limit (select greatest(0, count(*) - ?) from missed_addresses
                    where site_id = ?))',
                [$row->site_id, $row->site_id, self::MAX_MISSED, $row->site_id],
            );
        }
    }
}
