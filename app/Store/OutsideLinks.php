<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Heronstem\Core\Linking\OutsideLink;
use Illuminate\Database\ConnectionInterface;

/** Links of the sites to others, as they were last tried. */
final readonly class OutsideLinks
{
    /** Seconds between two tries of one host, whatever site links to it. */
    private const PAUSE = 5;

    /** Links of sites that want them tried. */
    private const WANTED = "coalesce((s.search->'outside'->>'checksLinks')::boolean, false)";

    public function __construct(private ConnectionInterface $db)
    {
    }

    /** @return list<object{site_id: int, key: string, url: string, state: string, failures: int, says: string, leads_to: string|null}> those that are due, one of each host; links that no page has any more are forgotten */
    public function next(int $limit): array
    {
        $this->db->delete(
            'delete from outside_links l where l.next_at <= now() and not exists (select 1 from audit_keys k where k.site_id = l.site_id and k.key = l.key)',
        );

        /** @var list<object{site_id: int, key: string, url: string, state: string, failures: int, says: string, leads_to: string|null}> $rows */
        $rows = $this->db->select(
            'select * from (
                select distinct on (l.host) l.site_id, l.key, l.url, l.state, l.failures, l.says, l.leads_to, l.next_at from outside_links l join sites s on s.id = l.site_id
                where l.next_at <= now() and '.
                self::WANTED.
                '
                    and not exists (select 1 from outside_links o where o.host = l.host and o.checked_at > now() - make_interval(secs => ?))
                order by l.host, l.next_at
            ) due order by next_at limit ?',
            [self::PAUSE, $limit],
        );

        return $rows;
    }

    public function tried(int $site, string $key, OutsideLink $found): void
    {
        $this->db->update(
            'update outside_links set state = ?, failures = ?, says = ?, leads_to = ?, checked_at = now(), next_at = now() + make_interval(secs => ?) where site_id = ? and key = ?',
            [
                $found->state->value,
                $found->failures,
                $found->says,
                $found->leadsTo === null ? null : mb_substr($found->leadsTo, 0, 4000),
                $found->wait,
                $site,
                $key,
            ],
        );
    }

    /** @return array<string, int> links by state */
    public function counts(Site $site): array
    {
        return array_map(
            intval(...),
            array_column(
                $this->db->select('select state, count(*) as n from outside_links where site_id = ? group by state', [$site->id]),
                'n',
                'state',
            ),
        );
    }

    /** @return list<\stdClass> url, state, what was said, when, and pages that link there (the first ones as JSON): what is broken first */
    public function of(Site $site, ?string $state, int $offset, int $limit): array
    {
        return array_values(
            $this->db->select(
                <<<'SQL'
                select l.url, l.state, l.says, l.leads_to, to_json(l.checked_at)#>>'{}' as checked, to_json(l.next_at)#>>'{}' as next, u.pages, u.first
                from outside_links l, lateral (
                    select count(*) as pages, coalesce(json_agg(json_build_object('id', n.ulid, 'name', n.name)) filter (where n.i <= 5), '[]') as first
                    from (select p.ulid, p.name, row_number() over (order by p.path) as i from audit_keys k join pages p on p.id = k.page_id where k.site_id = l.site_id and k.key = l.key) n
                ) u
                where l.site_id = ? and u.pages > 0 and (?::text is null or l.state = ?)
                order by array_position(array['broken', 'moved', 'unknown', 'works'], l.state), l.failures desc, l.url limit ? offset ?
                SQL
                ,
                [$site->id, $state, $state, $limit, $offset],
            ),
        );
    }

    /** Has them tried as soon as it is their turn; says how many. */
    public function tryAgain(Site $site, ?string $url): int
    {
        return $this->db->update('update outside_links set next_at = now() where site_id = ? and (?::text is null or url = ?)', [
            $site->id,
            $url,
            $url,
        ]);
    }
}
