<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Illuminate\Database\ConnectionInterface;

/** When something of a site next appears or ends by itself. */
final readonly class NextMoment
{
    public function __construct(private ConnectionInterface $db)
    {
    }

    /** Seconds since 1970; far away where nothing is scheduled. */
    public function of(Site $site): int
    {
        $row = $this->db->selectOne(
            <<<'SQL'
            select extract(epoch from least(
                (select min(from_at) from pages where site_id = ? and from_at > now()),
                (select min(until_at) from pages where site_id = ? and until_at > now()),
                (select min(e.from_at) from menu_entries e join menus m on m.id = e.menu_id where m.site_id = ? and e.from_at > now()),
                (select min(e.until_at) from menu_entries e join menus m on m.id = e.menu_id where m.site_id = ? and e.until_at > now()),
                (select min(from_at) from redirect_rules where site_id = ? and in_front and from_at > now()),
                (select min(until_at) from redirect_rules where site_id = ? and in_front and until_at > now()),
                (select min(t.at) from pages p, lateral (values ((p.access->>'from')::timestamptz), ((p.access->>'until')::timestamptz)) t(at)
                    where p.site_id = ? and p.access is not null and t.at > now())
            ))::bigint as moment
            SQL
            ,
            array_fill(0, 7, $site->id),
        );

        return $row->moment ?? PHP_INT_MAX;
    }
}
