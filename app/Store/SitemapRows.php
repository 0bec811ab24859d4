<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Illuminate\Database\Connection;

/** Pages of the sitemap, and those that are left out of it. */
final readonly class SitemapRows
{
    /** Live, listed, indexed, self-canonical, and wanted there. */
    private const WHERE = "p.site_id = ? and is_visible(p.state, p.from_at, p.until_at) and (p.gate_id is null or p.gate_id in (select open_gate())) and p.listed and p.indexed and p.in_sitemap and p.kind in ('page', 'download')";

    /** Identities of the pictures that visitors see on a page, each once. */
    private const PICTURES = <<<'SQL'
    case when w.live is not null then (
        select string_agg(distinct f, ' ') from jsonb_array_elements_text(jsonb_path_query_array(w.live, '$.** ? (exists(@.alt)).file')) as f
        where not jsonb_exists(jsonb_path_query_array(w.live, '$.** ? (@.attrs.hidden == true).**.file'), f)
    ) end
    SQL;

    public function __construct(private Connection $db)
    {
    }

    public function count(Site $site): int
    {
        return (int) $this->db->scalar('select count(*) from pages p where '.self::WHERE, [$site->id]);
    }

    /** @return list<int> the number of the first page of each part */
    public function starts(Site $site, int $part): array
    {
        $rows = $this->db->select(
            'select id from (select p.id, row_number() over (order by p.id) - 1 as n from pages p where '.
                self::WHERE.
                ') each where n % ? = 0 order by id',
            [$site->id, $part],
        );

        return array_values(array_column($rows, 'id'));
    }

    /**
     * Pages in no order of their own, as the database copies them out: address, when it changed, and what told() reads.
     *
     * @param  int  $start  number of the first
     * @param  int|null  $end  number of the first of the next part
     * @param  bool  $hasBranches  whether branches say something, so that it matters where pages stand
     * @param  list<string>  $layouts  that say something
     * @return list<string> columns apart by tabs
     */
    public function part(Site $site, int $start, ?int $end, bool $hasBranches, array $layouts): array
    {
        $where = str_replace('?', (string) $site->id, self::WHERE)." and p.id >= $start".($end === null ? '' : " and p.id < $end");
        $path = $hasBranches ? 'p.path::text' : "''";
        $said = implode(', ', array_map($this->db->escape(...), $layouts));
        $special = $hasBranches ? 'true' : 'p.search is not null or p.pictures is not null'.($said === '' ? '' : " or p.layout in ($said)");
        // Contents are looked into only where there is a picture that they could show.
        [$pictures, $contents] = $this->hasPictures($site) ? [self::PICTURES, 'left join page_contents w on w.page_id = p.id'] : ['null::text', ''];

        return array_values(
            $this->db->getReadPdo()->pgsqlCopyToArray(
                "(select p.address, p.changed, case when $special then concat_ws('|', p.layout, p.path, coalesce(p.pictures, ''), p.search::text) end from (
                    select p.address, p.updated_at at time zone 'UTC' as changed, p.layout, p.search, $path as path, $pictures as pictures
                    from pages p $contents where $where
                ) p)",
                "\t",
                '',
            ) ?:
            [],
        );
    }

    private function hasPictures(Site $site): bool
    {
        return (bool) $this->db->scalar('select exists (select 1 from files where site_id = ? and width is not null)', [$site->id]);
    }

    /**
     * What follows address and moment in a line; nothing of a page that says nothing itself.
     *
     * @return array{layout: string, path: list<int>, search: string|null, pictures: list<string>}
     */
    public static function told(string $columns): array
    {
        [$layout, $path, $pictures, $search] = [...explode('|', rtrim($columns, "\n"), 4), '', '', '', ''];

        return [
            'layout' => $layout,
            'path' => $path === '' ? [] : array_map(intval(...), explode('.', $path)),
            'search' => $search === '' ? null : stripcslashes($search),
            'pictures' => $pictures === '' ? [] : explode(' ', $pictures),
        ];
    }

    /** Seconds since 1970. */
    public function lastChanged(Site $site): int
    {
        return (int) $this->db->scalar('select extract(epoch from coalesce(max(p.updated_at), now()))::bigint from pages p where '.self::WHERE, [
            $site->id,
        ]);
    }

    /**
     * @param  list<string>  $files  identities
     * @return array<string, string> names, by identity
     */
    public function fileNames(Site $site, array $files): array
    {
        return $files === []
            ? []
            : array_column(
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

    /** @return list<string> addresses */
    public function first(Site $site, int $limit): array
    {
        return array_column(
            $this->db->select('select p.address from pages p where '.self::WHERE.' order by p.id limit ?', [$site->id, $limit]),
            'address',
        );
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
                    when not is_open(p.gate_id) then 'closed'
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
                static fn (\stdClass $row): array => [
                    'reason' => $row->reason,
                    'pages' => $row->pages,
                    'examples' => json_decode($row->examples, true),
                ],
                $rows,
            ),
        );
    }
}
