<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Heronstem\Core\Audit\Place;
use Illuminate\Database\ConnectionInterface;

/** Where pages stand among the others, and what pictures weigh: many at a time. */
final readonly class AuditPlaces
{
    public function __construct(private ConnectionInterface $db)
    {
    }

    /**
     * @param  list<string>  $ids
     * @return array<string, Place>
     */
    public function of(Site $site, array $ids): array
    {
        $places = [];
        foreach (
            $this->db->select(
                <<<'SQL'
                select p.ulid, p.clicks,
                    (select json_agg(distinct m.name) from menu_entries e join menus m on m.id = e.menu_id and m.kind = 'menu' where e.page_id = p.id and e.kind = 'page') as menus,
                    exists (select 1 from ledger l where l.page_id = p.id and l.kind = 'also') as further
                from pages p where p.site_id = ? and p.ulid = any(?::text[])
                SQL
                ,
                [$site->id, PgArray::of($ids)],
            ) as $row
        ) {
            $places[$row->ulid] = new Place($row->clicks, $row->menus === null ? [] : json_decode($row->menus, true), $row->further);
        }

        return $places;
    }

    /**
     * @param  list<string>  $files
     * @return array<string, array{bytes: int, width: int, height: int}>
     */
    public function pictures(Site $site, array $files): array
    {
        $pictures = [];
        foreach (
            $files === []
                ? []
                : $this->db->select(
                    'select ulid, bytes, coalesce(width, 0) as width, coalesce(height, 0) as height from files where site_id = ? and ulid = any(?::text[])',
                    [$site->id, PgArray::of($files)],
                ) as $row
        ) {
            $pictures[$row->ulid] = ['bytes' => $row->bytes, 'width' => $row->width, 'height' => $row->height];
        }

        return $pictures;
    }
}
