<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Illuminate\Database\ConnectionInterface;

/** Reads the outline: children of open branches, a piece at a time, and what a filter finds with its ancestors. */
final readonly class OutlineRows
{
    /** Most rows of one branch in one answer. */
    public const PIECE = 100;

    /** Most rows a first answer holds, so that it stays small on any site. */
    public const FIRST = 130;

    private const COLUMNS = <<<'SQL'
    p.ulid as id, (select ulid from pages u where u.id = p.parent_id) as parent, p.name, p.slug, p.address, p.state, p.listed, p.ever_live as "everLive",
    p.clicks, p.links_in as "linksIn", p.reach_due as "reachDue", to_char(p.updated_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as changed,
    (select count(*) from pages c where c.parent_id = p.id and c.state <> 'bin') as children,
    p.state = 'live' and (p.prepared is not null or (w.page_id is not null and w.live_version is distinct from w.working_version)) as edited,
    case when p.search_title <> '' then 'own' else 'pattern' end as title,
    case when p.search_description <> '' then 'own' when p.summary <> '' then 'summary' when w.page_id is not null then 'content' when s.description <> '' then 'site' else 'none' end as description,
    p.indexed, not is_open(p.gate_id) as closed, (select json_agg(m.name order by m.name) from menu_entries e join menus m on m.id = e.menu_id and m.kind = 'picks'
        where e.page_id = p.id) as picks, p.id = s.start_page_id is true as start, nlevel(p.path) as level,
    p.kind, p.left_out as "leftOut", p.is_protected as "isProtected", p.pinned is not null as pinned,
    case when p.leads_to is null then null when p.leads_to like 'page %' then (select name from pages t
        where t.ulid = substr(p.leads_to, 6)) when p.leads_to like 'file %' then (select name from files f
        where f.ulid = substr(p.leads_to, 6)) else substr(p.leads_to, strpos(p.leads_to, ' ') + 1) end as "leadsTo",
    p.layout, (select case when a.weight > 0 then round(100.0 * a.passed / a.weight)::int end from audit_pages a where a.page_id = p.id) as score,
    (select u.name from users u where u.id = p.changed_by) as by,
    to_char(p.from_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as "from", to_char(p.until_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as until
    SQL;

    /** What most rows say; a row leaves it away, so that a first answer is half as long. */
    private const DEFAULTS = [
        'listed' => true,
        'indexed' => true,
        'closed' => false,
        'kind' => 'page',
        'title' => 'pattern',
        'picks' => [],
        'edited' => false,
        'start' => false,
        'leftOut' => false,
        'isProtected' => false,
        'pinned' => false,
        'leadsTo' => null,
        'from' => null,
        'until' => null,
        'reachDue' => false,
        'children' => 0,
        'linksIn' => 0,
        'layout' => 'page',
    ];

    /** What pages that a filter finds are sorted by. */
    public const SORTS = [
        'name' => 'lower(p.name)',
        'address' => 'p.address',
        'state' => 'p.state',
        'reach' => 'p.clicks',
        'layout' => 'p.layout',
        'score' => '(select a.passed::real / nullif(a.weight, 0) from audit_pages a where a.page_id = p.id)',
        'by' => '(select lower(u.name) from users u where u.id = p.changed_by)',
        'changed' => 'p.updated_at',
    ];

    private const FROM = 'from pages p join sites s on s.id = p.site_id left join page_contents w on w.page_id = p.id';

    public function __construct(private ConnectionInterface $db)
    {
    }

    /**
     * @param  string|null  $parent  ULID, null for the top
     * @return list<\stdClass>
     */
    public function children(Site $site, ?string $parent, int $offset = 0, int $limit = self::PIECE): array
    {
        $of = $parent === null ? 'p.parent_id is null' : 'p.parent_id = (select id from pages where ulid = ? and site_id = ?)';

        return self::read(
            $this->db->select(
                KeptPlans::MARK.'select '.
                    self::COLUMNS.
                    ' '.
                    self::FROM.
                    " where p.site_id = ? and p.state <> 'bin' and $of order by p.position limit ? offset ?",
                [$site->id, ...$parent === null ? [] : [$parent, $site->id], $limit, $offset],
            ),
        );
    }

    public function childCount(Site $site, ?string $parent): int
    {
        $of = $parent === null ? 'parent_id is null' : 'parent_id = (select id from pages where ulid = ?)';

        return (int) $this->db->selectOne(
            KeptPlans::MARK."select count(*) as n from pages where site_id = ? and state <> 'bin' and $of",
            $parent === null ? [$site->id] : [$site->id, $parent],
        )->n;
    }

    /**
     * First rows of several branches in one query.
     *
     * @param  list<string>  $parents
     * @return array<string, list<\stdClass>> by parent
     */
    public function branches(Site $site, array $parents): array
    {
        $rows =
            $parents === []
                ? []
                : $this->db->select(
                    'select r.* from unnest(?::text[]) with ordinality as o(ulid, n) join pages b on b.ulid = o.ulid and b.site_id = ?
             cross join lateral (select '.
                        self::COLUMNS.
                        ' '.
                        self::FROM.
                        " where p.site_id = ? and p.state <> 'bin' and p.parent_id = b.id order by p.position limit ".
                        self::PIECE.
                        ') r
             order by o.n',
                    [PgArray::of($parents), $site->id, $site->id],
                );
        $by = [];
        foreach (self::read($rows) as $row) {
            $by[$row->parent][] = $row;
        }

        return $by;
    }

    /** @return \stdClass with pages, live, draft, review, offline, bin */
    public function counts(Site $site): \stdClass
    {
        return $this->db->selectOne(
            // Apart, so that those in the tree are counted in the index alone.
            KeptPlans::MARK."select count(*) as pages, count(*) filter (where state = 'live') as live, count(*) filter (where state = 'draft') as draft, count(*) filter (where state = 'review') as review,
                count(*) filter (where state = 'offline') as offline, (select count(*) from pages b where b.site_id = ? and b.state = 'bin' and b.bin_id = b.id) as bin
            from pages where site_id = ? and state <> 'bin'",
            [$site->id, $site->id],
        );
    }

    /**
     * Pages that a filter finds, with their ancestors, in tree order.
     *
     * @return array{int, list<\stdClass>} how many match, and rows with `match` set on those
     */
    public function matching(Site $site, PageFilter $filter, int $limit): array
    {
        [$where, $bound] = $filter->where($site);
        $total = (int) $this->db->selectOne("select count(*) as n from pages p where $where", $bound)->n;
        $rows = $this->db->select(
            "with found as (select p.id, p.path from pages p where $where order by nlevel(p.path), p.id limit ?),
             shown as (select distinct a.id from found f join pages a on a.site_id = ? and a.path @> f.path)
             select r.*, f.id is not null as match, r.path_key from (
                select ".
                self::COLUMNS.
                ', p.id as number,
                    (select array_agg(a.position order by nlevel(a.path)) from pages a where a.site_id = p.site_id and a.path @> p.path) as path_key
                '.
                self::FROM.
                ' where p.id in (select id from shown)
             ) r left join found f on f.id = r.number order by r.path_key',
            [...$bound, $limit, $site->id],
        );
        foreach ($rows as $row) {
            unset($row->path_key, $row->number);
        }

        return [$total, self::read($rows)];
    }

    /**
     * Pages that a filter finds, by a column rather than by the tree, and so without their ancestors.
     *
     * @param  string  $sort  one of SORTS, behind a hyphen for the highest first
     * @return array{int, list<\stdClass>}
     */
    public function sorted(Site $site, PageFilter $filter, string $sort, int $limit): array
    {
        [$where, $bound] = $filter->where($site);
        $by = self::SORTS[ltrim($sort, '-')].(str_starts_with($sort, '-') ? ' desc' : '').' nulls last';

        return [
            (int) $this->db->selectOne("select count(*) as n from pages p where $where", $bound)->n,
            self::read(
                $this->db->select('select '.self::COLUMNS.', true as match '.self::FROM." where $where order by $by, p.address limit ?", [
                    ...$bound,
                    $limit,
                ]),
            ),
        ];
    }

    /**
     * @param  array<\stdClass>  $rows
     * @return list<\stdClass>
     */
    private static function read(array $rows): array
    {
        foreach ($rows as $row) {
            $row->picks = $row->picks === null ? [] : json_decode($row->picks);
            foreach (self::DEFAULTS as $field => $default) {
                if ($default === $row->$field) {
                    unset($row->$field);
                }
            }
        }

        return array_values($rows);
    }

    /** @return array<string, array<string, int>> how many of the pages a filter finds have each state, kind, layout and tag */
    public function facets(Site $site, PageFilter $filter): array
    {
        [$where, $bound] = $filter->where($site);
        $facets = ['state' => [], 'kind' => [], 'layout' => [], 'tag' => []];
        foreach (
            $this->db->select(
                "select state, kind, layout, count(*) as n from pages p where $where group by grouping sets ((state), (kind), (layout))",
                $bound,
            ) as $row
        ) {
            $facet = $row->state !== null ? 'state' : ($row->kind !== null ? 'kind' : 'layout');
            $facets[$facet][$row->$facet] = (int) $row->n;
        }
        foreach (
            $this->db->select(
                "select t.tag, count(*) as n from pages p cross join lateral jsonb_array_elements_text(p.tags) t(tag) where $where group by t.tag order by t.tag",
                $bound,
            ) as $row
        ) {
            $facets['tag'][$row->tag] = (int) $row->n;
        }

        return $facets;
    }

    /** @return list<string> identities of all that a filter finds, in tree order, up to a limit */
    public function ids(Site $site, PageFilter $filter, int $limit): array
    {
        [$where, $bound] = $filter->where($site);

        return array_column(
            $this->db->select("select p.ulid from pages p where $where order by nlevel(p.path), p.parent_id, p.position limit ?", [
                ...$bound,
                $limit,
            ]),
            'ulid',
        );
    }

    /** @return list<string> ULIDs of a page's ancestors, from the top down */
    public function lineTo(Site $site, string $page): array
    {
        return array_column(
            $this->db->select(
                KeptPlans::MARK.'select a.ulid from pages p join pages a on a.site_id = p.site_id and a.path @> p.path and a.id <> p.id where p.site_id = ? and p.ulid = ? order by nlevel(a.path)',
                [$site->id, $page],
            ),
            'ulid',
        );
    }
}
