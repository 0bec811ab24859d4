<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\HistoryEntry;
use App\Models\Site;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Ledger\ClaimDifference;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Series;
use Illuminate\Database\ConnectionInterface;

/** Writes what changes in the ledger. */
final readonly class ClaimWriter
{
    /** Claims written in one statement: enough that its cost is theirs, few enough to hold. */
    private const PIECE = 4000;

    private const ROWS = 'jsonb_to_recordset(?::jsonb) as n(key text, address text, kind text, page text, ever_live boolean, held_for text, since timestamptz, entry text)
        left join pages p on p.ulid = n.page left join pages f on f.ulid = n.held_for left join history h on h.ulid = n.entry';

    public function __construct(private ConnectionInterface $db, private Ticks $ticks)
    {
    }

    /**
     * What stops being a page's own address is turned where it stands; everything else is written anew, so that
     * pages which trade places never hold two addresses at once.
     *
     * @param  Series<ClaimDifference>  $differences  gone through twice
     */
    public function write(Series $differences, Site $site, HistoryEntry $entry): void
    {
        foreach ($differences->having(static fn (ClaimDifference $each): bool => $each->before !== null)->inPieces(self::PIECE) as $piece) {
            $turned = array_values(array_filter($piece, self::isTurned(...)));
            $gone = array_values(array_filter($piece, static fn (ClaimDifference $each): bool => ! self::isTurned($each)));
            if ($gone !== []) {
                $this->db->delete('delete from ledger where site_id = ? and key = any(?::text[])', [
                    $site->id,
                    PgArray::of(array_column($gone, 'key')),
                ]);
            }
            if ($turned !== []) {
                $this->turn($turned, $site, $entry);
            }
            $this->ticks->written(count($turned));
        }
        $new = $differences->having(static fn (ClaimDifference $each): bool => $each->after !== null && ! self::isTurned($each));
        foreach ($new->inPieces(self::PIECE) as $piece) {
            $this->add($piece, $site, $entry);
            $this->ticks->written(count($piece));
        }
    }

    private static function isTurned(ClaimDifference $difference): bool
    {
        [$before, $after] = [$difference->before, $difference->after];

        return $after !== null && $after->kind !== ClaimKind::Page && $before !== null && $before->address->path === $after->address->path;
    }

    /** @param  list<ClaimDifference>  $turned */
    private function turn(array $turned, Site $site, HistoryEntry $entry): void
    {
        $this->db->update(
            'update ledger l set kind = c.kind, page_id = c.page_id, ever_live = c.ever_live, held_for_id = c.held_for_id, since = c.since, by_entry_id = c.by_entry_id
            from (select n.key, n.kind, p.id as page_id, n.ever_live, f.id as held_for_id, coalesce(n.since, now()) as since, h.id as by_entry_id
                from '.
                self::ROWS.
                ') c where l.site_id = ? and l.key = c.key',
            [$this->json($turned, $entry), $site->id],
        );
    }

    /** @param  list<ClaimDifference>  $new */
    private function add(array $new, Site $site, HistoryEntry $entry): void
    {
        $this->db->insert(
            'insert into ledger (site_id, key, address, kind, page_id, ever_live, held_for_id, since, by_entry_id)
            select ?, n.key, n.address, n.kind, p.id, n.ever_live, f.id, coalesce(n.since, now()), h.id from '.self::ROWS,
            [$site->id, $this->json($new, $entry)],
        );
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

    /** @param  list<ClaimDifference>  $differences  that leave a claim */
    private function json(array $differences, HistoryEntry $entry): string
    {
        $rows = [];
        foreach ($differences as $difference) {
            if ($difference->after !== null) {
                $rows[] = $this->claimRow($difference->key, $difference->after, $difference->before, $entry);
            }
        }

        return json_encode($rows, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE);
    }
}
