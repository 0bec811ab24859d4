<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\Claim;
use Heronstem\Core\Address\Ledger;
use Illuminate\Database\ConnectionInterface;

/** The core's ledger port over PostgreSQL. */
final readonly class StoredLedger implements Ledger
{
    private const SELECT = 'select l.address, l.kind, p.ulid as page, l.ever_live, l.since, h.ulid as entry
        from ledger l join pages p on p.id = l.page_id left join history h on h.id = l.by_entry_id';

    private AddressRules $rules;

    public function __construct(private ConnectionInterface $db, private Site $site)
    {
        $this->rules = $site->rules();
    }

    public function claimsOn(array $addresses): array
    {
        $keys = array_unique(array_map(static fn (Address $address): string => $address->key, $addresses));
        $claims = [];
        foreach ($this->db->select(self::SELECT.' where l.site_id = ? and l.key = any(?::text[])', [$this->site->id, PgArray::of($keys)]) as $row) {
            $claim = $this->toClaim($row);
            $claims[$claim->address->key] = $claim;
        }

        return $claims;
    }

    public function claimsOfPage(string $page): array
    {
        return array_values(array_map($this->toClaim(...), $this->db->select(self::SELECT.' where l.site_id = ? and p.ulid = ? order by l.key', [$this->site->id, $page])));
    }

    private function toClaim(\stdClass $row): Claim
    {
        $address = Address::stored($row->address, $this->rules);
        $since = new \DateTimeImmutable($row->since);

        return $row->kind === 'page'
            ? Claim::ofPage($address, $row->page, $row->ever_live, $since, $row->entry)
            : Claim::redirectTo($address, $row->page, $row->ever_live, $since, $row->entry);
    }
}
