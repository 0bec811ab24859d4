<?php

declare(strict_types=1);

namespace App\Store;

use Heronstem\Core\Linking\LinksInto;
use Illuminate\Database\ConnectionInterface;

final readonly class StoredLinks implements LinksInto
{
    public function __construct(private ConnectionInterface $db)
    {
    }

    public function countInto(array $pages): int
    {
        $row = $this->db->selectOne('select count(*) as n from links l join pages p on p.id = l.to_page_id where p.ulid = any(?::text[])', [PgArray::of($pages)]);

        return (int) $row->n;
    }
}
