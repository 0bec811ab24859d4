<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\HistoryEntry;
use App\Models\Site;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Ledger\ClaimDifference;
use Heronstem\Core\Ledger\ClaimKind;
use Illuminate\Database\ConnectionInterface;

/** Writes what changes in the ledger. */
final readonly class ClaimWriter
{
    public function __construct(private ConnectionInterface $db)
    {
    }

    /**
     * What stops being a page's own address is turned where it stands; everything else is written anew, so that
     * pages which trade places never hold two addresses at once.
     *
     * @param  list<ClaimDifference>  $differences
     */
    public function write(array $differences, Site $site, HistoryEntry $entry): void
    {
        $gone = $turned = $new = [];
        foreach ($differences as $difference) {
            $after = $difference->after;
            if (
                $after !== null &&
                $after->kind !== ClaimKind::Page &&
                $difference->before !== null &&
                $difference->before->address->path === $after->address->path
            ) {
                $turned[] = $this->claimRow($difference->key, $after, $difference->before, $entry);

                continue;
            }
            if ($difference->before !== null) {
                $gone[] = $difference->key;
            }
            if ($after !== null) {
                $new[] = $this->claimRow($difference->key, $after, $difference->before, $entry);
            }
        }
        $claims = 'jsonb_to_recordset(?::jsonb) as n(key text, address text, kind text, page text, ever_live boolean, held_for text, since timestamptz, entry text)
            left join pages p on p.ulid = n.page left join pages f on f.ulid = n.held_for left join history h on h.ulid = n.entry';
        if ($gone !== []) {
            $this->db->delete('delete from ledger where site_id = ? and key = any(?::text[])', [$site->id, PgArray::of($gone)]);
        }
        if ($turned !== []) {
            $this->db->update(
                "update ledger l set kind = c.kind, page_id = c.page_id, ever_live = c.ever_live, held_for_id = c.held_for_id, since = c.since, by_entry_id = c.by_entry_id
                from (select n.key, n.kind, p.id as page_id, n.ever_live, f.id as held_for_id, coalesce(n.since, now()) as since, h.id as by_entry_id
                    from $claims) c where l.site_id = ? and l.key = c.key",
                [self::json($turned), $site->id],
            );
        }
        if ($new !== []) {
            $this->db->insert(
                "insert into ledger (site_id, key, address, kind, page_id, ever_live, held_for_id, since, by_entry_id)
                select ?, n.key, n.address, n.kind, p.id, n.ever_live, f.id, coalesce(n.since, now()), h.id from $claims",
                [$site->id, self::json($new)],
            );
        }
    }

    /** @return array<string, scalar|null> */
    private function claimRow(string $key, Claim $claim, ?Claim $was, HistoryEntry $entry): array
    {
        $same = $was !== null && $was->kind === $claim->kind && $was->page === $claim->page;

        return [
            'key' => $key,
            'address' => $claim->address->path,
            'kind' => $claim->kind->value,
            'page' => $claim->page,
            'ever_live' => $claim->everLive,
            'held_for' => $claim->heldFor,
            'since' => $same ? $was->since : null,
            'entry' => $same ? $was->byChange : $entry->ulid,
        ];
    }

    /** @param  list<array<string, scalar|null>>  $rows */
    private static function json(array $rows): string
    {
        return json_encode($rows, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE);
    }
}
