<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Heronstem\Core\Address\NormalForm;
use Illuminate\Database\ConnectionInterface;

/** What is kept by address besides the ledger, once addresses are written otherwise: links, what was missed, hits of former addresses. */
final readonly class RespelledRows
{
    /** Rows that are written at once. */
    private const PIECE = 2000;

    public function __construct(private ConnectionInterface $db, private Site $site)
    {
    }

    public function write(): void
    {
        $this->turn(
            'raw_links',
            'address',
            'update raw_links r set key = n.key, address = n.address from n where r.site_id = n.site and r.address = n.was',
        );
        $this->turn(
            'removed_redirects',
            'source',
            "update removed_redirects r set key = n.key, source = n.address from n where r.site_id = n.site and r.source = n.was and r.rule->>'scope' <> 'pattern'",
        );
        $this->missed();
        $this->hits();
    }

    private function missed(): void
    {
        $this->turn(
            'missed_addresses',
            'address',
            'insert into missed_addresses (site_id, key, address, ignored, noise, first_at, last_at)
                select m.site_id, n.key, min(n.address), bool_and(m.ignored), bool_and(m.noise), min(m.first_at), max(m.last_at) from n join missed_addresses m on m.site_id = n.site and m.address = n.was
                where m.key <> n.key group by m.site_id, n.key
                on conflict (site_id, key) do update set first_at = least(missed_addresses.first_at, excluded.first_at), last_at = greatest(missed_addresses.last_at, excluded.last_at)',
            'insert into missed_hits (site_id, key, day, referrer, bots, hits)
                select m.site_id, n.key, h.day, h.referrer, h.bots, sum(h.hits) from n join missed_addresses m on m.site_id = n.site and m.address = n.was
                join missed_hits h on h.site_id = m.site_id and h.key = m.key where m.key <> n.key group by m.site_id, n.key, h.day, h.referrer, h.bots
                on conflict (site_id, key, day, referrer, bots) do update set hits = missed_hits.hits + excluded.hits',
            'delete from missed_addresses m using n where m.site_id = n.site and m.address = n.was and m.key <> n.key',
        );
    }

    /** Counted by key alone: its former spelling is known only to be the key, which is enough to find it. */
    private function hits(): void
    {
        $before = HitLog::at('');
        $keys = array_column(
            $this->db->select('select distinct rule from redirect_hits where site_id = ? and starts_with(rule, ?)', [$this->site->id, $before]),
            'rule',
        );
        $rules = $this->site->rules();
        $rows = [];
        foreach ($keys as $rule) {
            $key = substr((string) $rule, strlen($before));
            $now = HitLog::at(NormalForm::key(NormalForm::of($key, $rules), $rules));
            if ($now !== $rule) {
                $rows[] = ['was' => $rule, 'key' => $now, 'address' => ''];
            }
        }
        $this->inPieces(
            $rows,
            'insert into redirect_hits (site_id, rule, day, referrer, bots, hits)
                select h.site_id, n.key, h.day, h.referrer, h.bots, sum(h.hits) from n join redirect_hits h on h.site_id = n.site and h.rule = n.was group by h.site_id, n.key, h.day, h.referrer, h.bots
                on conflict (site_id, rule, day, referrer, bots) do update set hits = redirect_hits.hits + excluded.hits',
            'delete from redirect_hits h using n where h.site_id = n.site and h.rule = n.was',
        );
    }

    /**
     * @param  literal-string  $table
     * @param  literal-string  $column
     * @param  literal-string  ...$statements  over `n`: was, key and address
     */
    private function turn(string $table, string $column, string ...$statements): void
    {
        $rules = $this->site->rules();
        $rows = [];
        foreach ($this->db->select("select distinct $column as address from $table where site_id = ?", [$this->site->id]) as $row) {
            $now = NormalForm::of((string) $row->address, $rules);
            $rows[] = ['was' => $row->address, 'key' => NormalForm::key($now, $rules), 'address' => $now];
        }
        $this->inPieces($rows, ...$statements);
    }

    /**
     * @param  list<array{was: string, key: string, address: string}>  $rows
     * @param  literal-string  ...$statements
     */
    private function inPieces(array $rows, string ...$statements): void
    {
        foreach (array_chunk($rows, self::PIECE) as $piece) {
            $json = json_encode($piece, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE);
            foreach ($statements as $statement) {
                $this->db->affectingStatement(
                    "with n as materialized (select ?::bigint as site, was, key, address from jsonb_to_recordset(?::jsonb) as x(was text, key text, address text)) $statement",
                    [$this->site->id, $json],
                );
            }
        }
    }
}
