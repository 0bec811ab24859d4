<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Illuminate\Database\ConnectionInterface;

/** What the audit found, counted and listed. What somebody dismissed is left out until its day. */
final readonly class FindingRows
{
    private const OPEN = 'not exists (select 1 from dismissals d where d.page_id = f.page_id and d.check_code = f.check_code and (d.until is null or d.until > now()))';

    public function __construct(private ConnectionInterface $db)
    {
    }

    /**
     * @return list<object{check_code: string, pages: int, hits: int, newest: string}>
     */
    public function byCheck(Site $site, FindingFilter $filter): array
    {
        [$where, $bindings] = $filter->sql();

        /** @var list<object{check_code: string, pages: int, hits: int, newest: string}> */
        return $this->db->select(
            'select f.check_code, count(*) as pages, coalesce(sum(p.links_in), 0)::int as hits, to_char(max(f.since) at time zone \'UTC\', \'YYYY-MM-DD"T"HH24:MI:SS"Z"\') as newest
            from findings f join pages p on p.id = f.page_id where f.site_id = ? and '.
                self::OPEN.
                " and $where group by f.check_code",
            [$site->id, ...$bindings],
        );
    }

    /** @return list<object{ulid: string, name: string, address: string, state: string, says: string, since: string, sentence: string|null, entry: string|null}> */
    public function ofCheck(Site $site, string $check, FindingFilter $filter, int $offset, int $limit): array
    {
        [$where, $bindings] = $filter->sql();

        /** @var list<object{ulid: string, name: string, address: string, state: string, says: string, since: string, sentence: string|null, entry: string|null}> */
        return $this->db->select(
            'select p.ulid, p.name, p.address, p.state, f.says, to_char(f.since at time zone \'UTC\', \'YYYY-MM-DD"T"HH24:MI:SS"Z"\') as since, h.sentence, h.ulid as entry
            from findings f join pages p on p.id = f.page_id left join history h on h.id = f.entry_id
            where f.site_id = ? and f.check_code = ? and '.
                self::OPEN.
                " and $where order by p.path limit ? offset ?",
            [$site->id, $check, ...$bindings, $limit, $offset],
        );
    }

    /** @return iterable<object{check_code: string, ulid: string, name: string, address: string, says: string, since: string}> */
    public function all(Site $site, FindingFilter $filter): iterable
    {
        [$where, $bindings] = $filter->sql();

        /** @var iterable<object{check_code: string, ulid: string, name: string, address: string, says: string, since: string}> */
        return $this->db->cursor(
            'select f.check_code, p.ulid, p.name, p.address, f.says, to_char(f.since at time zone \'UTC\', \'YYYY-MM-DD"T"HH24:MI:SS"Z"\') as since
            from findings f join pages p on p.id = f.page_id where f.site_id = ? and '.
                self::OPEN.
                " and $where order by p.path, f.check_code",
            [$site->id, ...$bindings],
        );
    }

    /** @return list<object{check_code: string, ulid: string, name: string, address: string, reason: string, until: string|null, person: string|null}> what is dismissed at this moment */
    public function dismissed(Site $site): array
    {
        /** @var list<object{check_code: string, ulid: string, name: string, address: string, reason: string, until: string|null, person: string|null}> */
        return $this->db->select(
            'select d.check_code, p.ulid, p.name, p.address, d.reason, d.until::text, u.name as person from dismissals d join pages p on p.id = d.page_id
            left join users u on u.id = d.user_id where d.site_id = ? and (d.until is null or d.until > now()) order by d.created_at desc limit 500',
            [$site->id],
        );
    }

    /** @return object{pages: int, clean: int, weight: int, passed: int, findings: int} of live pages */
    public function standing(Site $site): object
    {
        /** @var object{pages: int, clean: int, weight: int, passed: int, findings: int} */
        return $this->db->selectOne(
            'select count(*) as pages, count(*) filter (where not exists (select 1 from findings f where f.page_id = a.page_id and '.
                self::OPEN.
                ')) as clean,
                coalesce(sum(a.weight), 0)::bigint as weight, coalesce(sum(a.passed), 0)::bigint as passed,
                (select count(*) from findings f join pages p on p.id = f.page_id and p.state = \'live\' where f.site_id = ? and '.
                self::OPEN.
                ') as findings
            from audit_pages a join pages p on p.id = a.page_id and p.state = \'live\' where a.site_id = ?',
            [$site->id, $site->id],
        );
    }

    /** @return list<object{day: string, pages: int, clean: int, weight: int, passed: int, findings: int}> the last so many days, oldest first */
    public function days(Site $site, int $days): array
    {
        /** @var list<object{day: string, pages: int, clean: int, weight: int, passed: int, findings: int}> */
        return $this->db->select(
            'select day::text, pages, clean, weight, passed, findings from audit_days where site_id = ? and day > current_date - ?::int order by day',
            [$site->id, $days],
        );
    }

    /**
     * Findings that came since a moment, by the change that brought them.
     *
     * @return list<object{check_code: string, pages: int, entry: string|null, sentence: string|null, at: string, first: string}>
     */
    public function since(Site $site, int $days, int $limit): array
    {
        /** @var list<object{check_code: string, pages: int, entry: string|null, sentence: string|null, at: string, first: string}> */
        return $this->db->select(
            'select f.check_code, count(*) as pages, h.ulid as entry, h.sentence, to_char(max(f.since) at time zone \'UTC\', \'YYYY-MM-DD"T"HH24:MI:SS"Z"\') as at, min(p.name) as first
            from findings f join pages p on p.id = f.page_id and p.state = \'live\' join history h on h.id = f.entry_id
            where f.site_id = ? and f.since > now() - make_interval(days => ?) and '.
                self::OPEN.
                ' group by f.check_code, h.ulid, h.sentence order by max(f.since) desc limit ?',
            [$site->id, $days, $limit],
        );
    }

    public function dismiss(Site $site, string $page, string $check, string $reason, ?string $until, int $user): bool
    {
        return $this->db->affectingStatement(
            'insert into dismissals (page_id, site_id, check_code, reason, until, user_id)
            select p.id, p.site_id, ?, ?, ?::date, ? from pages p where p.site_id = ? and p.ulid = ?
            on conflict (page_id, check_code) do update set reason = excluded.reason, until = excluded.until, user_id = excluded.user_id, created_at = now()',
            [$check, $reason, $until, $user, $site->id, $page],
        ) > 0;
    }

    public function reinstate(Site $site, string $page, string $check): bool
    {
        return $this->db->delete(
            'delete from dismissals d using pages p where p.id = d.page_id and d.site_id = ? and p.ulid = ? and d.check_code = ?',
            [$site->id, $page, $check],
        ) > 0;
    }
}
