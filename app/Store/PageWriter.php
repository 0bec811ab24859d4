<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\HistoryEntry;
use App\Models\Site;
use Heronstem\Core\Tree\Page;
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
     * @param  list<Page>  $changed
     * @param  list<string>  $moved  those of them that stand under another page
     * @param  array<string, string>  $addresses  by page
     */
    public function write(array $changed, array $moved, array $addresses, Site $site, HistoryEntry $entry): void
    {
        foreach (array_chunk($changed, self::PIECE) as $piece) {
            $this->updateFields($piece, $site, $entry);
            $this->ticks->written(count($piece));
        }
        if (count($moved) === 1) {
            $this->moveBranch($moved[0], $addresses, $site);
        } else {
            $this->updatePaths($moved, $site);
            $this->updateAddresses($addresses);
        }
    }

    /** @param  list<Page>  $pages */
    private function updateFields(array $pages, Site $site, HistoryEntry $entry): void
    {
        [$typed, $assigned] = [PageColumns::typed(), PageColumns::assigned()];
        $rows = array_map(static fn (Page $page): array => ['ulid' => $page->id, ...$page->toFields()], $pages);
        $this->db->update(
            <<<SQL
            update pages p set
                parent_id = parent.id, bin_id = bin.id,
                live_since = case when n.state <> 'live' then null when p.state = 'live' then p.live_since else now() end,
                binned_at = case when n.state <> 'bin' then null else coalesce(p.binned_at, now()) end,
                $assigned,
                version = p.version + 1, changed_by = ?, updated_at = now(), reach_due = true
            from jsonb_to_recordset(?::jsonb) as n(ulid text, parent text, bin text, $typed)
            left join pages parent on parent.ulid = n.parent and parent.site_id = ?
            left join pages bin on bin.ulid = n.bin and bin.site_id = ?
            where p.ulid = n.ulid and p.site_id = ?
            SQL
            ,
            [$entry->user_id, json_encode($rows, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE), $site->id, $site->id, $site->id],
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
     * Path and address of one moved branch in one statement, so that each row is written once. Where the branch stands is asked first, so that the
     * database knows how many rows to expect; and the addresses are joined by hashing, never by going through all of them for each row, which
     * is what it takes for the cheapest where its statistics lag behind.
     *
     * @param  array<string, string>  $addresses  by page
     */
    private function moveBranch(string $root, array $addresses, Site $site): void
    {
        $move = $this->db->selectOne(
            "select root.path as old, nlevel(root.path) - 1 as depth, coalesce(parent.path, '') as base
                from pages root left join pages parent on parent.id = root.parent_id where root.ulid = ? and root.site_id = ?",
            [$root, $site->id],
        );
        $this->db->statement('set local enable_nestloop = off');
        $this->db->update(
            <<<'SQL'
            with n as materialized (select * from unnest(?::text[], ?::text[]) as n(ulid, address)),
            target as (
                select p.id, ?::ltree || subpath(p.path, ?) as path, n.address from pages p left join n on n.ulid = p.ulid where p.site_id = ? and p.path <@ ?::ltree
                union all
                select p.id, p.path, n.address from n join pages p on p.ulid = n.ulid where p.site_id = ? and not p.path <@ ?::ltree
            )
            update pages p set path = t.path, address = coalesce(t.address, p.address), version = p.version + 1 from target t where p.id = t.id
            SQL
            ,
            [PgArray::of(array_keys($addresses)), PgArray::of($addresses), $move->base, $move->depth, $site->id, $move->old, $site->id, $move->old],
        );
        $this->db->statement('set local enable_nestloop = on');
    }

    /** @param  array<string, string>  $addresses  by page */
    private function updateAddresses(array $addresses): void
    {
        if ($addresses !== []) {
            $this->db->update(
                'update pages p set address = n.address, version = p.version + 1 from unnest(?::text[], ?::text[]) as n(ulid, address)
                    where p.ulid = n.ulid and p.address <> n.address',
                [PgArray::of(array_keys($addresses)), PgArray::of($addresses)],
            );
        }
    }
}
