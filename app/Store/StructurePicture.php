<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Illuminate\Database\ConnectionInterface;

/** The structure in so few pages that it can be looked at: some levels of it, on each the largest branches. */
final readonly class StructurePicture
{
    /** Most pages in a picture. */
    public const MAX_PAGES = 250;

    public function __construct(private ConnectionInterface $db)
    {
    }

    /**
     * @param  string|null  $of  ULID of the page looked at, null for the whole site
     * @return list<\stdClass> parents before their children, siblings in order
     */
    public function of(Site $site, ?string $of, int $levels): array
    {
        return array_values(
            $this->db->select(
                <<<'SQL'
                with root as (select path, nlevel(path) as level from pages where site_id = ? and ulid = ? union all select ''::ltree, 0 where ?::text is null),
                branch as (select p.id, p.path, nlevel(p.path) - root.level as depth from pages p, root where p.site_id = ? and p.state <> 'bin' and p.path <@ root.path),
                sizes as (select ltree2text(subpath(path, 0, nlevel(path) - depth + d)) as path, count(*) as size from branch cross
                    join generate_series(0, ?::int) d where d <= depth and nlevel(path) - depth + d > 0 group by 1),
                shown as (
                    select p.id, s.size, b.depth from sizes s join branch b on b.path = s.path::ltree join pages p on p.id = b.id order by b.depth, s.size desc, p.id limit ?
                )
                select p.ulid as id, parent.ulid as parent, p.name, p.state, p.kind, to_char(p.updated_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as changed, shown.size, shown.depth as level
                from shown join pages p on p.id = shown.id left join pages parent on parent.id = p.parent_id and parent.id in (select id from shown)
                order by shown.depth, p.parent_id nulls first, p.position
                SQL
                ,
                [$site->id, $of, $of, $site->id, $levels, self::MAX_PAGES],
            ),
        );
    }
}
