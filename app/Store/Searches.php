<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Illuminate\Database\ConnectionInterface;

/** What was searched on a site, how often, and whether anything was found; never by whom. */
final readonly class Searches
{
    /** Searches kept for one site; beyond that, those that were made longest ago make room. */
    private const MAX_KEPT = 20_000;

    public function __construct(private ConnectionInterface $db)
    {
    }

    /** @param  list<array{site: int, words: string, outcome: string, times: int, first: int, last: int}>  $searched */
    public function add(array $searched): void
    {
        if ($searched === []) {
            return;
        }
        $this->db->insert(
            'insert into searches (site_id, words, outcome, times, first_at, last_at)
            select n.site, n.words, n.outcome, n.times, to_timestamp(n.first), to_timestamp(n.last)
                from jsonb_to_recordset(?::jsonb) as n(site bigint, words text, outcome text, times bigint, first bigint, last bigint) join sites s on s.id = n.site
            on conflict (site_id, words) do update set outcome = excluded.outcome, times = searches.times + excluded.times,
                last_at = greatest(searches.last_at, excluded.last_at)',
            [json_encode($searched, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE)],
        );
    }

    /** @return list<object{words: string, outcome: string, times: int, first: string, last: string}> the most frequent first */
    public function of(Site $site, bool $inVain, int $offset, int $limit): array
    {
        /** @var list<object{words: string, outcome: string, times: int, first: string, last: string}> $rows */
        $rows = $this->db->select(
            "select words, outcome, times, to_json(first_at)#>>'{}' as first, to_json(last_at)#>>'{}' as last from searches
            where site_id = ? and (not ?::boolean or outcome <> 'found') order by times desc, last_at desc, words limit ? offset ?",
            [$site->id, $inVain ? 'true' : 'false', $limit, $offset],
        );

        return $rows;
    }

    /** Takes it off the list; false where nobody searched that. */
    public function forget(Site $site, string $words): bool
    {
        return $this->db->delete('delete from searches where site_id = ? and words = ?', [$site->id, $words]) > 0;
    }

    /** @param  int  $days  after which a search that nobody made again goes */
    public function prune(int $days): void
    {
        $this->db->delete('delete from searches where last_at < now() - make_interval(days => ?)', [$days]);
        foreach ($this->db->select('select site_id, count(*) as n from searches group by site_id having count(*) > ?', [self::MAX_KEPT]) as $row) {
            $this->db->delete(
                'delete from searches where site_id = ? and words in (select words from searches where site_id = ? order by last_at limit ?)',
                [$row->site_id, $row->site_id, $row->n - self::MAX_KEPT],
            );
        }
    }
}
