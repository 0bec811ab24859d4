<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Heronstem\Core\Address\Address;
use Heronstem\Core\Linking\LinksInto;
use Heronstem\Core\Linking\RawLink;
use Illuminate\Database\ConnectionInterface;

final readonly class StoredLinks implements LinksInto
{
    public function __construct(private ConnectionInterface $db, private Site $site)
    {
    }

    public function countInto(array $pages): int
    {
        $row = $this->db->selectOne('select count(*) as n from links l join pages p on p.id = l.to_page_id where p.ulid = any(?::text[])', [
            PgArray::of($pages),
        ]);

        return (int) $row->n;
    }

    public function rawTo(array $keys): iterable
    {
        $rules = $this->site->rules();
        $rows = $this->db->select(
            "select r.*, p.ulid, p.name from raw_links r join pages p on p.id = r.from_page_id
                where r.site_id = ? and r.key = any(?::text[]) and p.state <> 'bin' order by r.from_page_id, r.href",
            [$this->site->id, PgArray::of($keys)],
        );
        foreach ($rows as $row) {
            yield new RawLink($row->ulid, $row->name, $row->href, Address::stored($row->address, $rules), $row->live);
        }
    }
}
