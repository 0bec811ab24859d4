<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Heronstem\Core\Change\Undo;
use Heronstem\Core\Redirect\Resolution;
use Illuminate\Database\ConnectionInterface;

/** Addresses that visitors knew and that nothing answers any more: of pages taken offline, redirects switched off, and what was let go. */
final readonly class SilentAddresses
{
    public function __construct(private ConnectionInterface $db)
    {
    }

    /**
     * Cost: a lookup for each address that was ever live.
     *
     * @param  \Closure(string): Resolution  $resolve
     * @return list<array{address: string, why: string}>
     */
    public function of(Site $site, \Closure $resolve): array
    {
        $silent = [];
        foreach ($this->known($site) as $address) {
            $answer = $resolve($address);
            if ($answer->status === 404 && $answer->sendsWith() === null) {
                $silent[] = ['address' => $address, 'why' => $answer->why];
            }
        }

        return $silent;
    }

    /** @return iterable<string> in order: what the ledger says was live, and what the history says stood longer than a slip and is in the ledger no more */
    private function known(Site $site): iterable
    {
        $rows = $this->db->cursor(
            <<<'SQL'
            with said as (
                select claim->>'key' as key, claim->'after'->>0 as address, created_at as since, lead(created_at) over (partition by claim->>'key'
                    order by entry_id) as until, jsonb_typeof(claim->'after') = 'array' and claim->'after'->>1 in ('page', 'also')
                    and (claim->'after'->>3)::boolean as live
                from history_claims where site_id = ?
            )
            select l.key, l.address from ledger l where l.site_id = ? and l.ever_live
            union
            select distinct on (said.key) said.key, said.address from said left join ledger l on l.site_id = ? and l.key = said.key
            where l.id is null and said.live and coalesce(said.until, now()) - said.since > make_interval(secs => ?)
            order by 1
            SQL
            ,
            [$site->id, $site->id, $site->id, Undo::GRACE],
        );
        foreach ($rows as $row) {
            yield $row->address;
        }
    }
}
