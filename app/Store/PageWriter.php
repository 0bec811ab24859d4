<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\HistoryEntry;
use App\Models\Site;
use Heronstem\Core\Ripple\AddressMove;
use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Series;
use Heronstem\Core\Tree\PageDifference;
use Heronstem\Core\Workspace\PagesAfter;
use Illuminate\Database\ConnectionInterface;

/** Writes pages that are there and change: their fields, where their branches stand, and their addresses. */
final readonly class PageWriter
{
    /** Pages written in one statement: enough that its cost is theirs, few enough to hold with all their fields. */
    public const PIECE = 4000;

    public function __construct(private ConnectionInterface $db, private Ticks $ticks)
    {
    }

    /**
     * @param  list<string>  $moved  those that stand under another page
     */
    public function write(array $moved, Ripple $ripple, Site $site, HistoryEntry $entry): void
    {
        $differences = $ripple->pages->differences->having(static fn (PageDifference $each): bool => ! $each->wasMade() && ! $each->wasRemoved());
        foreach ($differences->inPieces(self::PIECE) as $piece) {
            $this->updateFields($piece, $ripple->pages->outcome, $site, $entry);
            $this->ticks->written(count($piece));
        }
        $addresses = $ripple->addresses->moves->made(static fn (AddressMove $move): array => [$move->page, $move->to->path]);
        if (count($moved) === 1) {
            $this->moveBranch($moved[0], $addresses, $site);
        } else {
            $this->updatePaths($moved, $site);
            foreach ($addresses->inPieces(self::PIECE) as $piece) {
                $this->updateAddresses($piece);
            }
        }
    }

    /**
     * Only what some of them change is written, of all of them: most often that is the same few fields. What goes into the bin or comes
     * back may have another address than it had.
     *
     * @param  list<PageDifference>  $differences
     */
    private function updateFields(array $differences, PagesAfter $outcome, Site $site, HistoryEntry $entry): void
    {
        $fields = [];
        foreach ($differences as $each) {
            $fields += $each->after ?? [];
        }
        $isElsewhere = array_key_exists('address', $fields);
        $fields = array_intersect_key(PageColumns::fields(), $fields);
        $rows = [];
        foreach ($differences as $each) {
            $told = array_intersect_key($each->after ?? [], $fields);
            $told = count($told) === count($fields) ? $told : array_intersect_key($outcome->find($each->page)?->toFields() ?? [], $fields);
            $address = $isElsewhere ? ['address' => $outcome->find($each->page)?->address->path] : [];
            $rows[] = ['ulid' => $each->page, ...$told, ...$address];
        }
        $set = array_filter([
            isset($fields['parent']) ? 'parent_id = (select a.id from pages a where a.ulid = n.parent and a.site_id = p.site_id)' : '',
            isset($fields['bin']) ? 'bin_id = (select a.id from pages a where a.ulid = n.bin and a.site_id = p.site_id)' : '',
            $isElsewhere ? 'address = n.address' : '',
            isset($fields['state'])
                ? "live_since = case when n.state <> 'live' then null when p.state = 'live' then p.live_since else now() end,
                    binned_at = case when n.state <> 'bin' then null else coalesce(p.binned_at, now()) end"
                : '',
            PageColumns::assigned($fields),
            'version = p.version + 1, changed_by = ?, updated_at = now(), reach_due = true',
        ]);
        $this->db->update(
            'update pages p set '.
                implode(', ', $set).
                ' from jsonb_to_recordset(?::jsonb) as n('.
                implode(', ', array_filter(['ulid text, parent text, bin text, address text', PageColumns::typed($fields)])).
                ') where p.ulid = n.ulid and p.site_id = ?',
            [$entry->user_id, json_encode($rows, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE), $site->id],
        );
    }

    /**
     * Paths of moved branches, ancestors first, each branch in one statement.
     *
     * @param  list<string>  $moved
     */
    private function updatePaths(array $moved, Site $site): void
    {
        if ($moved === []) {
            return;
        }
        $inOrder = $this->db->select(
            <<<'SQL'
            with recursive up as (
                select id as root, parent_id, 1 as level from pages where site_id = ? and ulid = any(?::text[])
                union all
                select up.root, p.parent_id, up.level + 1 from up join pages p on p.id = up.parent_id
            )
            select root from up group by root order by max(level)
            SQL
            ,
            [$site->id, PgArray::of($moved)],
        );
        foreach ($inOrder as $row) {
            $this->db->update(
                <<<'SQL'
                update pages p set path = move.base || subpath(p.path, move.depth)
                from (
                    select root.path as old, nlevel(root.path) - 1 as depth, coalesce(parent.path, ''::ltree) as base
                    from pages root left join pages parent on parent.id = root.parent_id where root.id = ?
                ) move
                where p.site_id = ? and p.path <@ move.old and p.path is distinct from move.base || subpath(p.path, move.depth)
                SQL
                ,
                [$row->root, $site->id],
            );
        }
    }

    /**
     * Path and address of a moved branch together, so that each row is written once; then the paths of pages that keep their addresses.
     * Pages are looked up by their identities: how many the database believes to be below another may be far off.
     *
     * @param  Series<array{string, string}>  $addresses  page and address
     */
    private function moveBranch(string $root, Series $addresses, Site $site): void
    {
        $move = $this->db->selectOne(
            "select root.path as old, nlevel(root.path) - 1 as depth, coalesce(parent.path, '') as base
                from pages root left join pages parent on parent.id = root.parent_id where root.ulid = ? and root.site_id = ?",
            [$root, $site->id],
        );
        foreach ($addresses->inPieces(self::PIECE) as $piece) {
            $this->db->update(
                'update pages p set path = case when p.path <@ ?::ltree then ?::ltree || subpath(p.path, ?) else p.path end, address = n.address, version = p.version + 1
                    from unnest(?::text[], ?::text[]) as n(ulid, address) where p.ulid = n.ulid and p.site_id = ?',
                [$move->old, $move->base, $move->depth, PgArray::of(array_column($piece, 0)), PgArray::of(array_column($piece, 1)), $site->id],
            );
        }
        $this->db->update(
            'update pages p set path = ?::ltree || subpath(p.path, ?), version = p.version + 1 where p.site_id = ? and p.path <@ ?::ltree',
            [$move->base, $move->depth, $site->id, $move->old],
        );
    }

    /** @param  non-empty-list<array{string, string}>  $addresses  page and address */
    private function updateAddresses(array $addresses): void
    {
        $this->db->update(
            'update pages p set address = n.address, version = p.version + 1 from unnest(?::text[], ?::text[]) as n(ulid, address)
                where p.ulid = n.ulid and p.address <> n.address',
            [PgArray::of(array_column($addresses, 0)), PgArray::of(array_column($addresses, 1))],
        );
    }
}
