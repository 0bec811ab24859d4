<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Heronstem\Core\Address\NormalForm;
use Heronstem\Core\Address\ReservedAddresses;
use Illuminate\Database\ConnectionInterface;

/** Every address that the site answers or ever answered, and every rule and every miss beside them: in order, a piece at a time. */
final readonly class AddressRows
{
    /** Most rows of one answer. */
    public const PIECE = 100;

    /** Days that the small charts go back. */
    private const DAYS = 28;

    /** What a row can be, as facets name it. */
    public const KINDS = ['page', 'also', 'former', 'one', 'branch', 'pattern', 'gone', 'bin', 'removed', 'reserved', 'missed'];

    /** One row for each: the ledger, then rules that hold no address, then misses. */
    private const ALL = <<<'SQL'
    select l.address, l.key, case l.kind when 'rule' then 'one' when 'redirect' then 'former' else l.kind end as kind, l.page_id, l.held_for_id, l.since, l.by_entry_id, r.id as rule
    from ledger l left join redirect_rules r on l.kind = 'rule' and r.site_id = l.site_id and r.claims and r.key = l.key where l.site_id = ?
    union all
    select r.source || case when r.matched = '' then '' else '?' || r.matched end, r.key, r.scope, null, null, r.made_at, r.by_entry_id, r.id
        from redirect_rules r where r.site_id = ? and not r.claims
    union all
    select m.address, m.key, 'missed', null, null, m.first_at, null, null from missed_addresses m
    where m.site_id = ? and not m.ignored and not m.noise and not exists (select 1 from ledger l where l.site_id = m.site_id and l.key = m.key)
    union all
    select x.source, x.key, 'removed', null, null, x.removed_at, x.by_entry_id, null from removed_redirects x where x.site_id = ?
    union all
    select e.address, e.address, 'reserved', null, null, null, null, null from unnest(?::text[]) e (address)
    SQL;

    public function __construct(private ConnectionInterface $db)
    {
    }

    /** @return list<mixed> what ALL asks for */
    private static function bound(Site $site): array
    {
        return [$site->id, $site->id, $site->id, $site->id, PgArray::of(ReservedAddresses::all())];
    }

    /**
     * @param  array{text: string, kind: string, status: string, hits: string, redirects: list<string>|null}  $filter  any part of address or note; kinds, states and origins with commas between; and only these redirects
     * @return array{int, array<string, int>, list<array<string, mixed>>} how many there are, how many of each kind whatever kind is asked for, and a piece of them
     */
    public function find(Site $site, array $filter, int $offset): array
    {
        [$where, $bound] = $this->where($filter, $site);
        $kinds = array_values(array_intersect(explode(',', $filter['kind']), self::KINDS));
        $order = match ($kinds) {
            // Misses on their own are ranked: what was asked for most often comes first.
            ['missed'] => '(select coalesce(sum(m.hits), 0) from missed_hits m where m.site_id = '.
                $site->id.
                ' and m.key = a.key and not m.bots) desc, a.key',
            // Patterns on their own stand as they are tried.
            ['pattern'] => '(select o.position from redirect_rules o where o.id = a.rule), a.rule',
            // Several may share a key: without an order among them, pieces of the list would repeat and leave out.
            default => "a.kind = 'reserved', a.key, a.kind, a.rule nulls first, a.since, a.by_entry_id, a.address",
        };
        $of = $kinds === [] ? '' : 'where a.kind = any(?::text[])';
        // What is found is gone through once, for counting as for a piece of it.
        $found = $this->db->select(
            'with found as materialized (select a.* from ('.
                self::ALL.
                ") a left join redirect_rules r on r.id = a.rule where $where), a as (select a.*, row_number() over () as place from (select a.*
                    from found a $of order by $order limit ? offset ?) a)
            select ".
                StoredRules::COLUMNS.
                ', a.*, c.counts, p.ulid as page, p.name, p.address as page_address, p.state, is_visible(p.state, p.from_at, p.until_at) as visible, w.name as waits, h.ulid as entry, h.sentence, t.name as target_name, t.address as target_address, (select x.rule from removed_redirects x where a.kind = \'removed\' and x.site_id = '.
                $site->id.
                ' and x.by_entry_id is not distinct from a.by_entry_id and x.key = a.key and x.source = a.address limit 1) as removed
            from (select jsonb_object_agg(n.kind, n.n) as counts from (select kind, count(*) as n from found group by kind) n) c left join a on true
            left join redirect_rules r on r.id = a.rule left join pages p on p.id = a.page_id left join pages w on w.id = a.held_for_id left join history h on h.id = a.by_entry_id
            left join pages t on r.target like \'page %\' and t.ulid = substr(r.target, 6) order by a.place',
            [...self::bound($site), ...$bound, ...$kinds === [] ? [] : [PgArray::of($kinds)], self::PIECE, $offset],
        );
        $counts = array_replace(array_fill_keys(self::KINDS, 0), array_map(intval(...), (array) json_decode($found[0]->counts ?? '{}', true)));
        $rows = array_filter($found, static fn (\stdClass $row): bool => $row->kind !== null);
        $hits = $this->hits($site, array_values($rows));

        return [
            $kinds === [] ? array_sum($counts) : array_sum(array_intersect_key($counts, array_flip($kinds))),
            $counts,
            array_map(static fn (\stdClass $row): array => AddressRow::of($row, $hits[self::counted($row)] ?? []), array_values($rows)),
        ];
    }

    /**
     * What stands below an address, by the next segment, with how many addresses each has.
     *
     * @return list<array{segment: string, below: int, here: string|null}>
     */
    public function segments(Site $site, string $below, int $limit): array
    {
        $base = rtrim($below, '/').'/';
        $rows = $this->db->select(
            'select split_part(substr(a.key, ?), \'/\', 1) as segment, count(*) as n, count(*) filter (where position(\'/\' in substr(a.key, ?)) > 0) as below, max(a.kind) filter (where position(\'/\' in substr(a.key, ?)) = 0) as here
            from ('.
                self::ALL.
                ') a where a.key like ? and a.kind not in (\'pattern\', \'missed\', \'removed\', \'reserved\') and length(a.key) >= ? group by 1 order by 1 limit ?',
            [
                mb_strlen($base) + 1,
                mb_strlen($base) + 1,
                mb_strlen($base) + 1,
                ...self::bound($site),
                addcslashes($base, '%_\\').'%',
                mb_strlen($base) + 1,
                $limit,
            ],
        );

        return array_map(
            static fn (\stdClass $row): array => ['segment' => $row->segment, 'below' => (int) $row->below, 'here' => $row->here],
            array_values($rows),
        );
    }

    /** @return array{addresses: int, requests: int} that only scanners ask for, in four weeks: they are in no list */
    public function noise(Site $site): array
    {
        $found = $this->db->selectOne(
            'select count(distinct m.key) as addresses, coalesce(sum(h.hits), 0) as requests from missed_addresses m left
                join missed_hits h on h.site_id = m.site_id and h.key = m.key and h.day > current_date - ?::int where m.site_id = ? and m.noise',
            [self::DAYS, $site->id],
        );

        return ['addresses' => (int) ($found->addresses ?? 0), 'requests' => (int) ($found->requests ?? 0)];
    }

    /** Leaves a missed address out of the list from now on; false where nobody asked for it. */
    public function ignore(Site $site, string $address): bool
    {
        return $this->db->update('update missed_addresses set ignored = true where site_id = ? and (key = ? or address = ?)', [
            $site->id,
            NormalForm::key($address, $site->rules()),
            $address,
        ]) > 0;
    }

    /**
     * @param  array{text: string, kind: string, status: string, hits: string, redirects: list<string>|null}  $filter
     * @return array{string, list<mixed>}
     */
    private function where(array $filter, Site $site): array
    {
        $parts = ['true'];
        $bound = [];
        if ($filter['text'] !== '') {
            // Keys are in lower case where case says nothing, and far quicker to look through than what has to be folded first.
            $isKey = $site->rules()->caseSensitive ? 'ilike' : 'like';
            $parts[] = "(a.key $isKey ? or (a.rule is not null and (a.address ilike ? or r.note ilike ?)) or a.page_id in (select n.id from pages n
                where n.site_id = ? and n.name ilike ?))";
            $like = '%'.addcslashes($filter['text'], '%_\\').'%';
            array_push($bound, mb_strtolower($like), $like, $like, $site->id, $like);
        }
        $parts = [
            ...$parts,
            ...array_filter(
                array_map(
                    static fn (string $status): ?string => match ($status) {
                        'off' => 'r.is_on = false',
                        'over' => 'r.until_at <= now()',
                        'waiting' => 'r.from_at > now()',
                        'front' => 'r.in_front',
                        'by-hand' => "r.origin = 'hand'",
                        'from-change' => "(r.origin like 'change%' or a.kind = 'former')",
                        'from-import' => "r.origin like 'import%'",
                        default => null,
                    },
                    explode(',', $filter['status']),
                ),
            ),
        ];
        if ($filter['redirects'] !== null) {
            $parts[] = 'r.ulid = any(?::text[])';
            $bound[] = PgArray::of($filter['redirects']);
        }
        if ($filter['hits'] === 'never') {
            $parts[] = 'r.id is not null and not exists (select 1 from redirect_hits h where h.site_id = r.site_id and h.rule = r.ulid)';
        }

        return [implode(' and ', $parts), $bound];
    }

    /** What its hits are counted under. */
    private static function counted(\stdClass $row): string
    {
        return match (true) {
            $row->ulid !== null => $row->ulid,
            $row->kind === 'missed' => "missed {$row->key}",
            default => HitLog::at($row->key),
        };
    }

    /**
     * Of rules, former addresses and misses: how often by day, the oldest first; programs left out.
     *
     * @param  list<\stdClass>  $rows
     * @return array<string, list<int>>
     */
    private function hits(Site $site, array $rows): array
    {
        $rules = array_values(array_map(self::counted(...), array_filter($rows, static fn (\stdClass $row): bool => $row->kind !== 'missed')));
        $keys = array_values(
            array_map(
                static fn (\stdClass $row): string => $row->key,
                array_filter($rows, static fn (\stdClass $row): bool => $row->kind === 'missed'),
            ),
        );
        $found = $this->db->select(
            "select rule as what, (current_date - day) as ago, sum(hits) as n from redirect_hits
                where site_id = ? and rule = any(?::text[]) and not bots and day > current_date - ?::int group by 1, 2
            union all select 'missed ' || key, (current_date - day), sum(hits) from missed_hits
                where site_id = ? and key = any(?::text[]) and not bots and day > current_date - ?::int group by 1, 2",
            [$site->id, PgArray::of($rules), self::DAYS, $site->id, PgArray::of($keys), self::DAYS],
        );
        $by = [];
        foreach ($found as $row) {
            $by[$row->what][max(0, (int) $row->ago)] = (int) $row->n;
        }

        return array_map(static fn (array $ago): array => array_map(static fn (int $day): int => $ago[$day] ?? 0, range(self::DAYS - 1, 0)), $by);
    }
}
