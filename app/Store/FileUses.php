<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Illuminate\Database\ConnectionInterface;

/** Where files of a site are used: in content, fields, search settings, menus, redirects, and by pages that are or lead to one. */
final readonly class FileUses
{
    /** What stands before the name of a folder among the files that content uses. */
    public const FOLDER = 'folder:';

    /** Each gives file, way, and the page, menu or redirect that uses it, with what that is called; pages in the bin are left out. */
    private const USES = <<<'SQL'
    with saying as materialized (
        select ulid, name, address, state, fields, prepared, search, branch_search, showing, leads_to from pages
            where site_id = :site and bin_id is null and (fields <> '{}' or coalesce(prepared, search, branch_search, showing) is not null or leads_to is not null)
    ), content as materialized (
        select u.file, u.live and p.state = 'live' as live, p.ulid, p.name, p.address
            from file_uses u join pages p on p.id = u.page_id where p.site_id = :site and p.bin_id is null
    )
    select c.file, 'content' as way, c.ulid as by, c.name, c.address, c.live from content c
    union all
    select f.ulid, 'content', c.ulid, c.name, c.address, c.live
        from files f join content c on c.file = 'folder:' || f.folder where f.site_id = :site and f.folder <> '' and f.width is not null
    union all
    select distinct f #>> '{}', 'fields', p.ulid, p.name, p.address, p.state = 'live'
        from saying p, jsonb_path_query(p.fields, '$.values.**.file') f where p.fields <> '{}'
    union all
    select distinct f #>> '{}', 'fields', p.ulid, p.name, p.address, false
        from saying p, jsonb_path_query((p.prepared->>'fields')::jsonb, '$.values.**.file') f
        where p.prepared is not null and not exists (select 1 from jsonb_path_query(p.fields, '$.values.**.file') g where g = f)
    union all
    select s.file, 'card', p.ulid, p.name, p.address, p.state = 'live' from saying p,
        lateral (select q #>> '{}' as file from jsonb_path_query(p.search, '$.**.socialPicture') q
            union select q #>> '{}' from jsonb_path_query(p.branch_search, '$.**.socialPicture') q
            union select p.showing->>'picture') s
        where s.file is not null
    union all
    select substr(p.leads_to, 6), 'page', p.ulid, p.name, p.address, p.state = 'live'
        from saying p where p.leads_to like 'file %'
    union all
    select f.file, 'menu', m.ulid, m.name, null, m.place is not null from menus m join menu_entries e on e.menu_id = m.id,
        lateral (select e.picture as file union select substr(e.target, 6) where e.target like 'file %' union select e.target where e.kind = 'file') f
        where m.site_id = :site and f.file is not null
    union all
    select f.file, 'redirect', r.ulid, r.source, r.source, r.is_on from redirect_rules r,
        lateral (select substr(r.target, 6) as file where r.target like 'file %' union select q #>> '{}' from jsonb_path_query(r.pause, '$.**.file') q) f
        where r.site_id = :site and f.file is not null
    union all
    select distinct f #>> '{}', 'starting-point', s.ulid, s.name, null, false
        from starting_points s join kept_pages k on k.point_id = s.id,
        lateral (select q as f from jsonb_path_query(k.content, '$.**.file') q
            union all select q from jsonb_path_query((k.fields->>'fields')::jsonb, '$.values.**.file') q
            union all select to_jsonb((k.fields->>'showing')::jsonb->>'picture')) g where s.site_id = :site and f is not null
    union all
    select s.file, 'site', '', '', null, true from sites x,
        lateral (select q #>> '{}' as file from jsonb_path_query(x.search, '$.**.socialPicture') q
            union select q #>> '{}' from jsonb_path_query(x.search, '$.fieldDefaults.**.file') q) s where x.id = :site and s.file is not null
    SQL;

    public function __construct(private ConnectionInterface $db)
    {
    }

    /** @return array<string, int> how many pages, menus and redirects use a file, by file */
    public function counts(Site $site): array
    {
        // What is said to be large and is small would be compiled for longer than it runs.
        $this->db->statement('set jit = off');
        $rows = $this->db->select('select file, count(distinct way || by) as n from ('.$this->of($site).') u group by file');

        return array_map(intval(...), array_column($rows, 'n', 'file'));
    }

    /** @return list<array{way: string, by: string, name: string, address: string|null, live: bool}> those of one file */
    public function ofFile(Site $site, string $file): array
    {
        $rows = $this->db->select(
            'select way, by, name, address, bool_or(live) as live from ('.
                $this->of($site).
                ') u where file = ? group by way, by, name, address order by way, name, by',
            [$file],
        );

        return array_values(
            array_map(
                static fn (\stdClass $row): array => [
                    'way' => (string) $row->way,
                    'by' => (string) $row->by,
                    'name' => (string) $row->name,
                    'address' => $row->address === null ? null : (string) $row->address,
                    'live' => (bool) $row->live,
                ],
                $rows,
            ),
        );
    }

    private function of(Site $site): string
    {
        return str_replace(':site', (string) (int) $site->id, self::USES);
    }
}
