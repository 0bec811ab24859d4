<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Illuminate\Database\ConnectionInterface;

/** Finds pages by name, heading or address for the go-to field: exact first, then beginnings, then anywhere. */
final readonly class GoToHits
{
    public function __construct(private ConnectionInterface $db)
    {
    }

    /** @return list<\stdClass> */
    public function find(Site $site, string $text, int $limit): array
    {
        $like = addcslashes($text, '%_\\');

        return array_values(
            $this->db->select(
                <<<'SQL'
                select p.ulid as id, p.name, coalesce(p.heading, p.name) as heading, p.address, p.state, lower(p.name) = lower(?) as exact,
                    (select string_agg(a.name, ' › ' order by nlevel(a.path)) from pages a where a.site_id = p.site_id and a.path @> p.path and a.id <> p.id) as within
                from pages p
                where p.site_id = ? and p.state <> 'bin' and ((p.name || ' ' || p.address) ilike ? or p.heading ilike ?)
                order by lower(p.name) = lower(?) desc, p.name ilike ? desc, nlevel(p.path), p.name limit ?
                SQL
                ,
                [$text, $site->id, "%$like%", "%$like%", $text, "$like%", $limit],
            ),
        );
    }
}
