<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Illuminate\Database\ConnectionInterface;

/** What lies in the bin: each page that was put there, with how many went along. */
final readonly class BinRows
{
    public function __construct(private ConnectionInterface $db)
    {
    }

    /** @return list<\stdClass> */
    public function all(Site $site): array
    {
        return array_values(
            $this->db->select(
                <<<'SQL'
                select p.ulid as id, p.name, p.address, p.was, to_char(p.binned_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as binned, u.name as by,
                    (select count(*) - 1 from pages b where b.bin_id = p.id) as along, parent.ulid as parent, parent.name as "parentName",
                    p.parent_id is null or parent.state <> 'bin' as "parentThere", p.is_protected as "isProtected"
                from pages p left join pages parent on parent.id = p.parent_id left join users u on u.id = p.changed_by
                where p.site_id = ? and p.bin_id = p.id order by p.binned_at desc, p.id desc limit 1000
                SQL
                ,
                [$site->id],
            ),
        );
    }
}
