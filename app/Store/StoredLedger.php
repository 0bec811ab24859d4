<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Ledger\Ledger;
use Illuminate\Database\ConnectionInterface;

/** The core's ledger port over PostgreSQL. */
final readonly class StoredLedger implements Ledger
{
    private const SELECT = 'select l.address, l.kind, p.ulid as page, l.ever_live, f.ulid as held_for, l.since, h.ulid as entry
        from ledger l left join pages p on p.id = l.page_id left join pages f on f.id = l.held_for_id left join history h on h.id = l.by_entry_id';

    private AddressRules $rules;

    public function __construct(private ConnectionInterface $db, private Site $site)
    {
        $this->rules = $site->rules();
    }

    public function claimsOn(array $addresses): array
    {
        $keys = [];
        foreach ($addresses as $address) {
            $keys[$address->key] = true;
        }
        $claims = [];
        $rows =
            $keys === []
                ? []
                : $this->db->cursor(KeptPlans::MARK.self::SELECT.' where l.site_id = ? and l.key = any(?::text[])', [
                    $this->site->id,
                    PgArray::of(array_keys($keys)),
                ]);
        foreach ($rows as $row) {
            $claim = $this->toClaim($row);
            $claims[$claim->address->key] = $claim;
        }

        return $claims;
    }

    public function claimsAbout(array $pages): iterable
    {
        $rows = $this->db->cursor(
            KeptPlans::MARK.'with about as materialized (select id from pages where site_id = ? and ulid = any(?::text[])) '.
                self::SELECT.
                '
             where l.site_id = ? and l.id in (select c.id from about a join ledger c on c.page_id = a.id union all select c.id from about a
                 join ledger c on c.held_for_id = a.id) order by l.key',
            [$this->site->id, PgArray::of($pages), $this->site->id],
        );
        foreach ($rows as $row) {
            yield $this->toClaim($row);
        }
    }

    public function everyClaim(): iterable
    {
        foreach ($this->db->cursor(self::SELECT.' where l.site_id = ? order by l.key', [$this->site->id]) as $row) {
            yield $this->toClaim($row);
        }
    }

    private function toClaim(\stdClass $row): Claim
    {
        return Claim::stored(
            Address::stored($row->address, $this->rules),
            ClaimKind::from($row->kind),
            $row->page,
            $row->ever_live,
            $row->held_for,
            $row->since,
            $row->entry,
        );
    }
}
