<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Illuminate\Database\ConnectionInterface;

/** The rows of the grid of titles and descriptions, in the order of the tree. */
final readonly class SearchGridRows
{
    public function __construct(private ConnectionInterface $db)
    {
    }

    /** @param  array{text?: string, state?: string, layout?: string, branch?: string, check?: string}  $filter */
    public function count(Site $site, array $filter): int
    {
        [$where, $bindings] = self::where($filter);

        return (int) $this->db->scalar("select count(*) from pages p where p.site_id = ? and $where", [$site->id, ...$bindings]);
    }

    /**
     * @param  array{text?: string, state?: string, layout?: string, branch?: string, check?: string}  $filter
     * @return list<\stdClass>
     */
    public function page(Site $site, array $filter, int $offset, int $limit): array
    {
        [$where, $bindings] = self::where($filter);

        /** @var list<\stdClass> */
        return $this->db->select(
            <<<SQL
            with recursive ordered as (
                select p.id, array[p.position] as sort, p.path from pages p where p.site_id = ? and p.parent_id is null and p.state <> 'bin'
                union all
                select p.id, o.sort || p.position, p.path from ordered o join pages p on p.parent_id = o.id and p.state <> 'bin'
            ), n as materialized (
                select p.id, o.sort from pages p join ordered o on o.id = p.id where p.site_id = ? and $where order by o.sort limit ? offset ?
            )
            select p.ulid, p.name, p.address, p.state, p.layout, nlevel(p.path) - 1 as level,
                coalesce(p.prepared->>'searchTitle', p.search_title) as search_title,
                coalesce(p.prepared->>'searchDescription', p.search_description) as search_description,
                a.facts->>'title' as title, a.facts->>'titleWidth' as title_width, a.facts->>'description' as description,
                a.facts->>'descriptionWidth' as description_width, a.facts->>'descriptionSource' as description_source,
                exists (select 1 from findings f where f.page_id = p.id and f.check_code = 'title-equal') as title_double,
                exists (select 1 from findings f where f.page_id = p.id and f.check_code = 'description-equal') as description_double,
                (select json_agg(f.check_code) from findings f where f.page_id = p.id) as findings
            from n join pages p on p.id = n.id left join audit_pages a on a.page_id = p.id order by n.sort
            SQL
            ,
            [$site->id, $site->id, ...$bindings, $limit, $offset],
        );
    }

    /**
     * @param  list<string>  $keys
     * @return array<string, list<string>> up to three pages that hold each
     */
    public function holders(Site $site, array $keys): array
    {
        return KeyHolders::of($this->db, $site, $keys);
    }

    /**
     * @param  array{text?: string, state?: string, layout?: string, branch?: string, check?: string}  $filter
     * @return array{string, list<mixed>}
     */
    private static function where(array $filter): array
    {
        $conditions = ["p.state <> 'bin'", "p.kind in ('page', 'download')"];
        $bindings = [];
        $text = trim($filter['text'] ?? '');
        if ($text !== '') {
            $conditions[] = "(p.name || ' ' || p.address || ' ' || p.search_title || ' ' || p.search_description) ilike ?";
            $bindings[] = '%'.addcslashes($text, '\\%_').'%';
        }
        foreach (['state', 'layout'] as $field) {
            if (($filter[$field] ?? '') !== '') {
                $conditions[] = "p.$field = ?";
                $bindings[] = $filter[$field];
            }
        }
        if (($filter['branch'] ?? '') !== '') {
            $conditions[] = 'p.path <@ (select path from pages where ulid = ? and site_id = p.site_id)';
            $bindings[] = $filter['branch'];
        }
        if (($filter['check'] ?? '') !== '') {
            $conditions[] = 'exists (select 1 from findings f where f.page_id = p.id and f.check_code = ?)';
            $bindings[] = $filter['check'];
        }

        return [implode(' and ', $conditions), $bindings];
    }
}
