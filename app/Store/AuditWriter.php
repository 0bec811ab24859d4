<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Heronstem\Core\Audit\AuditedPage;
use Heronstem\Core\Audit\Report;
use Illuminate\Database\ConnectionInterface;

/** Writes what the audit knows and found of pages, many at a time. */
final readonly class AuditWriter
{
    public function __construct(private ConnectionInterface $db)
    {
    }

    /**
     * What is known of these pages, before it is read anew.
     *
     * @param  list<string>  $ids
     * @return array<string, AuditedPage>
     */
    public function known(Site $site, array $ids): array
    {
        $known = [];
        foreach (
            $this->db->select(
                'select p.ulid, a.facts from audit_pages a join pages p on p.id = a.page_id where a.site_id = ? and p.ulid = any(?::text[])',
                [$site->id, PgArray::of($ids)],
            ) as $row
        ) {
            $known[$row->ulid] = AuditedPage::fromArray(json_decode($row->facts, true, 16, JSON_THROW_ON_ERROR));
        }

        return $known;
    }

    /**
     * @param  array<int, AuditedPage|null>  $pages  by number; null for one that takes part in nothing any more
     */
    public function facts(Site $site, array $pages): void
    {
        $numbers = PgArray::of(array_keys($pages));
        $this->db->delete('delete from audit_keys where page_id = any(?::bigint[])', [$numbers]);
        $gone = PgArray::of(array_keys(array_filter($pages, static fn (?AuditedPage $page): bool => $page === null)));
        $this->db->delete('delete from audit_pages where page_id = any(?::bigint[])', [$gone]);
        $this->db->delete('delete from findings where page_id = any(?::bigint[])', [$gone]);
        $rows = $keys = $outside = [];
        foreach (array_filter($pages) as $number => $page) {
            foreach ($page->outsideLinks as $url) {
                $outside[$url] = [
                    'key' => StoredAudit::outsideKey($url),
                    'url' => $url,
                    'host' => strtolower((string) parse_url($url, PHP_URL_HOST)),
                ];
            }
            $rows[] = ['page_id' => $number, 'facts' => $page->toArray(), 'fingerprint' => (string) $page->fingerprint, 'counts' => $page->counts()];
            foreach (StoredAudit::keysOf($page) as $key => $holds) {
                $keys[] = ['page_id' => $number, 'key' => $key, 'holds' => $holds];
            }
        }
        $this->db->insert(
            'insert into audit_pages (page_id, site_id, facts, fingerprint, counts)
            select page_id, ?, facts, fingerprint::bigint, counts from jsonb_to_recordset(?::jsonb) as n(page_id bigint, facts jsonb, fingerprint text, counts boolean)
            on conflict (page_id) do update set facts = excluded.facts, fingerprint = excluded.fingerprint, counts = excluded.counts, looked_at = now()',
            [$site->id, self::json($rows)],
        );
        $this->db->insert(
            'insert into audit_keys (site_id, page_id, key, holds)
            select ?, page_id, key, holds from jsonb_to_recordset(?::jsonb) as n(page_id bigint, key text, holds boolean)',
            [$site->id, self::json($keys)],
        );
        $this->db->insert(
            'insert into outside_links (site_id, key, url, host) select ?, key, url, host from jsonb_to_recordset(?::jsonb) as n(key text, url text, host text)
            on conflict do nothing',
            [$site->id, self::json(array_values($outside))],
        );
    }

    /**
     * Findings that stay keep the day since when they are.
     *
     * @param  array<int, Report>  $reports  by number of the page
     * @param  array<int, int|null>  $entries  entry of the history that brought the look about, by number of the page
     */
    public function reports(Site $site, array $reports, array $entries): void
    {
        $found = $scores = [];
        foreach ($reports as $number => $report) {
            $scores[] = ['page_id' => $number, 'weight' => $report->weight(), 'passed' => $report->passed()];
            foreach ($report->findings() as $finding) {
                $found[] = ['page_id' => $number, 'code' => $finding->check->code, 'says' => $finding->says, 'entry_id' => $entries[$number] ?? null];
            }
        }
        $numbers = PgArray::of(array_keys($reports));
        $this->db->delete(
            'delete from findings f where f.page_id = any(?::bigint[]) and not exists (
                select 1 from jsonb_to_recordset(?::jsonb) as n(page_id bigint, code text) where n.page_id = f.page_id and n.code = f.check_code)',
            [$numbers, self::json($found)],
        );
        $this->db->insert(
            'insert into findings (page_id, site_id, check_code, says, entry_id)
            select page_id, ?, code, says, entry_id from jsonb_to_recordset(?::jsonb) as n(page_id bigint, code text, says text, entry_id bigint)
            on conflict (page_id, check_code) do update set says = excluded.says',
            [$site->id, self::json($found)],
        );
        $this->db->update(
            'update audit_pages a set weight = n.weight, passed = n.passed from jsonb_to_recordset(?::jsonb) as n(page_id bigint, weight int, passed int) where a.page_id = n.page_id',
            [self::json($scores)],
        );
    }

    /** Where the site stands today, for the chart of its days. */
    public function day(Site $site): void
    {
        $this->db->insert(
            <<<'SQL'
            insert into audit_days (site_id, day, pages, clean, weight, passed, findings)
            select ?, (now() at time zone ?)::date, count(*), count(*) filter (where f.n is null), coalesce(sum(a.weight), 0), coalesce(sum(a.passed), 0), coalesce(sum(f.n), 0)
            from audit_pages a join pages p on p.id = a.page_id and p.state = 'live'
            left join (
                select f.page_id, count(*) as n from findings f
                left join dismissals d on d.page_id = f.page_id and d.check_code = f.check_code and (d.until is null or d.until > now())
                where f.site_id = ? and d.page_id is null group by f.page_id
            ) f on f.page_id = a.page_id where a.site_id = ?
            on conflict (site_id, day) do update set pages = excluded.pages, clean = excluded.clean, weight = excluded.weight, passed = excluded.passed, findings = excluded.findings
            SQL
            ,
            [$site->id, $site->zone, $site->id, $site->id],
        );
    }

    /** @param  list<array<string, mixed>>  $rows */
    private static function json(array $rows): string
    {
        return json_encode($rows, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION);
    }
}
