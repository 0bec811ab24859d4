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
        // Looked up first: where few pages link, the database would rather go through all there are.
        $row = $this->db->selectOne(
            KeptPlans::MARK.'with p as materialized (select id from pages where ulid = any(?::text[])) select count(*) as n from p join links l on l.to_page_id = p.id',
            [PgArray::of($pages)],
        );

        return (int) $row->n;
    }

    public function rawTo(array $keys): iterable
    {
        return $this->raw('r.key = any(?::text[])', [PgArray::of($keys)]);
    }

    public function rawOn(?array $pages): iterable
    {
        return $pages === null ? $this->raw('true', []) : $this->raw('p.ulid = any(?::text[])', [PgArray::of($pages)]);
    }

    /**
     * @param  list<string>  $bindings
     * @return iterable<RawLink>
     */
    private function raw(string $which, array $bindings): iterable
    {
        $rules = $this->site->rules();
        $rows = $this->db->select(
            "select r.*, p.ulid, p.name from raw_links r join pages p on p.id = r.from_page_id
                where r.site_id = ? and $which and p.state <> 'bin' order by r.from_page_id, r.href",
            [$this->site->id, ...$bindings],
        );
        foreach ($rows as $row) {
            yield new RawLink($row->ulid, $row->name, $row->href, Address::stored($row->address, $rules), $row->live);
        }
    }
}
