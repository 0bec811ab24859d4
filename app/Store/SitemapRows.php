<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Illuminate\Database\ConnectionInterface;

/** Pages of the sitemap, and those that are left out of it. */
final readonly class SitemapRows
{
    /** Live, listed, indexed, self-canonical, and wanted there. */
    private const WHERE = "p.site_id = ? and is_visible(p.state, p.from_at, p.until_at) and p.listed and p.indexed and p.in_sitemap and p.kind in ('page', 'download')";

    /** Identities of the pictures that visitors see on a page, each once. */
    private const PICTURES = <<<'SQL'
        case when w.live is not null then (select string_agg(distinct f, ' ') from jsonb_array_elements_text(jsonb_path_query_array(w.live, '$.** ? (@.type == "picture").attrs.file')) as f) end
        SQL;

    public function __construct(private ConnectionInterface $db)
    {
    }

    public function count(Site $site): int
    {
        return (int) $this->db->scalar('select count(*) from pages p where '.self::WHERE, [$site->id]);
    }

    /** @return iterable<\stdClass> address, when it changed, and what it says or inherits of itself, in the order in which pages were made */
    public function part(Site $site, int $limit, int $offset): iterable
    {
        return $this->db->cursor(
            'select p.address, greatest(p.updated_at, w.saved_at) as changed, p.search, p.layout, p.path::text as path, '.
                self::PICTURES.
                ' as pictures from pages p left join page_contents w on w.page_id = p.id where '.
                self::WHERE.
                ' order by p.id limit ? offset ?',
            [$site->id, $limit, $offset],
        );
    }

    /**
     * @param  list<string>  $files  identities
     * @return array<string, string> names, by identity
     */
    public function fileNames(Site $site, array $files): array
    {
        return $files === [] ? [] : array_column(
            $this->db->select('select ulid, name from files where site_id = ? and ulid = any(?::text[])', [$site->id, PgArray::of($files)]),
            'name',
            'ulid',
        );
    }

    /** @return array<int, string> what branches say, by the number of the page at their top */
    public function branches(Site $site): array
    {
        return array_column(
            $this->db->select('select id, branch_search::text as says from pages where site_id = ? and branch_search is not null', [$site->id]),
            'says',
            'id',
        );
    }

    public function lastChanged(Site $site): string
    {
        return (string) $this->db->scalar('select coalesce(max(p.updated_at), now()) from pages p where '.self::WHERE, [$site->id]);
    }

    /** @return list<string> addresses */
    public function first(Site $site, int $limit): array
    {
        return array_column($this->db->select('select p.address from pages p where '.self::WHERE.' order by p.id limit ?', [$site->id, $limit]), 'address');
    }

    /** @return list<array{reason: string, pages: int, examples: list<array{id: string, name: string}>}> live pages that are not in it, by reason */
    public function leftOut(Site $site): array
    {
        $rows = $this->db->select(
            <<<'SQL'
            select reason, count(*) as pages, json_agg(json_build_object('id', ulid, 'name', name) order by n) filter (where n <= 5) as examples from (
                select p.ulid, p.name, r.reason, row_number() over (partition by r.reason order by p.path) as n
                from pages p, lateral (select case
                    when p.kind not in ('page', 'download') then 'kind'
                    when not p.listed then 'unlisted'
                    when not p.indexed then 'noindex'
                    when p.search->>'canonical' is not null then 'canonical'
                    when not p.in_sitemap then 'set'
                end as reason) r
                where p.site_id = ? and is_visible(p.state, p.from_at, p.until_at) and r.reason is not null
            ) l group by reason order by pages desc
            SQL
            ,
            [$site->id],
        );

        return array_values(
            array_map(
                static fn (\stdClass $row): array => ['reason' => $row->reason, 'pages' => $row->pages, 'examples' => json_decode($row->examples, true)],
                $rows,
            ),
        );
    }
}
