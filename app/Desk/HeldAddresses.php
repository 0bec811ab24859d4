<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Site;
use App\Store\StoredLedger;
use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\InvalidAddress;
use Heronstem\Core\Ledger\Claim;
use Illuminate\Database\Connection;

/** Addresses as somebody wrote them, as they would be on a site, and what holds them there already. */
final readonly class HeldAddresses
{
    /**
     * @param  array<string, Address>  $addresses  by what was written; those that cannot be are none
     * @param  array<string, string>  $held  kind of what holds it, by key
     */
    private function __construct(private array $addresses, private array $held)
    {
    }

    /** @param  iterable<string>  $written */
    public static function of(Connection $db, Site $site, iterable $written): self
    {
        $addresses = [];
        $rules = $site->rules();
        foreach ($written as $each) {
            try {
                $addresses[$each] = Address::asked($each, $rules);
            } catch (InvalidAddress) {
                continue;
            }
        }
        $claims = (new StoredLedger($db, $site))->claimsOn(array_values($addresses));

        return new self($addresses, array_map(static fn (Claim $claim): string => $claim->kind->value, $claims));
    }

    /** Null for one that cannot be. */
    public function readable(string $written): ?string
    {
        return ($this->addresses[$written] ?? null)?->readable();
    }

    public function holder(string $written): ?string
    {
        return $this->held[$this->addresses[$written]->key ?? ''] ?? null;
    }
}
