<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\HistoryEntry;
use App\Models\Site;
use Heronstem\Core\Structure\ClaimDifference;
use Heronstem\Core\Structure\Page;
use Heronstem\Core\Structure\Ripple;
use Illuminate\Database\ConnectionInterface;

/** Writes a ripple to pages and ledger: a handful of set-based statements, however large the branch. */
final readonly class RippleWriter
{
    public function __construct(private ConnectionInterface $db)
    {
    }

    public function write(Ripple $ripple, Site $site, HistoryEntry $entry): void
    {
        foreach ($ripple->pages as $difference) {
            if ($difference->wasMade()) {
                $this->make($ripple->outcome[$difference->page] ?? throw new \LogicException('A made page has no outcome.'), $site, $entry);
            }
        }
        $this->updateFields($ripple, $site, $entry);
        $this->updatePaths($ripple, $site);
        $this->updateAddresses($ripple);
        $this->writeClaims($ripple->claims, $site, $entry);
        foreach ($ripple->pages as $difference) {
            if ($difference->wasRemoved()) {
                $this->remove($difference->page);
            }
        }
    }

    private function make(Page $page, Site $site, HistoryEntry $entry): void
    {
        $kept = $this->db->selectOne('delete from unmade_pages where ulid = ? returning record, words', [$page->id]);
        $record = $kept === null ? [] : json_decode($kept->record, true, flags: JSON_THROW_ON_ERROR);
        $row = [
            'site_id' => $site->id, 'ulid' => $page->id, 'position' => $page->position, 'name' => $page->name, 'slug' => $page->slug->text,
            'slug_by_hand' => $page->slugByHand, 'pinned' => $page->pinned?->path, 'address' => $page->address->path, 'state' => $page->state->value,
            'live_since' => $page->isLive() ? date(DATE_ATOM) : null,
            'ever_live' => $page->everLive, 'listed' => $page->listed, 'changed_by' => $entry->user_id,
            'heading' => $record['heading'] ?? null, 'summary' => $record['summary'] ?? '', 'layout' => $record['layout'] ?? 'page',
            'search_title' => $record['search_title'] ?? '', 'search_description' => $record['search_description'] ?? '',
        ];
        $columns = implode(', ', array_keys($row));
        $made = $this->db->selectOne(
            "with n as (select nextval(pg_get_serial_sequence('pages', 'id')) as id), parent as (select id, path from pages where ulid = ? and site_id = ?)
             insert into pages (id, parent_id, path, $columns)
             select n.id, (select id from parent), coalesce((select path from parent), ''::ltree) || n.id::text, $columns
             from n, jsonb_populate_record(null::unplaced_page, ?::jsonb)
             returning id",
            [$page->parent, $site->id, json_encode($row, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE)],
        );
        if ($kept?->words !== null) {
            $this->db->insert('insert into page_words (page_id, working, working_version, saved_by) select ?, (w->>\'working\')::jsonb, (w->>\'working_version\')::int, ? from (select ?::jsonb as w) x', [$made->id, $entry->user_id, $kept->words]);
        }
    }

    private function updateFields(Ripple $ripple, Site $site, HistoryEntry $entry): void
    {
        $rows = [];
        foreach ($ripple->pages as $difference) {
            $page = $ripple->outcome[$difference->page] ?? null;
            if ($page !== null && ! $difference->wasMade()) {
                $rows[] = [
                    'ulid' => $page->id, 'parent' => $page->parent, 'position' => $page->position, 'name' => $page->name, 'slug' => $page->slug->text,
                    'slug_by_hand' => $page->slugByHand, 'pinned' => $page->pinned?->path, 'state' => $page->state->value, 'ever_live' => $page->everLive, 'listed' => $page->listed,
                ];
            }
        }
        if ($rows === []) {
            return;
        }
        $this->db->update(<<<'SQL'
            update pages p set
                parent_id = parent.id, position = n.position, name = n.name, slug = n.slug, slug_by_hand = n.slug_by_hand, pinned = n.pinned,
                live_since = case when n.state <> 'live' then null when p.state = 'live' then p.live_since else now() end,
                state = n.state, ever_live = n.ever_live, listed = n.listed,
                version = p.version + 1, changed_by = ?, updated_at = now()
            from jsonb_to_recordset(?::jsonb) as n(ulid text, parent text, position bigint, name text, slug text, slug_by_hand boolean, pinned text, state text, ever_live boolean, listed boolean)
            left join pages parent on parent.ulid = n.parent and parent.site_id = ?
            where p.ulid = n.ulid and p.site_id = ?
            SQL, [$entry->user_id, json_encode($rows, JSON_THROW_ON_ERROR), $site->id, $site->id]);
    }

    /** Paths of moved branches, ancestors first, each branch in one statement. */
    private function updatePaths(Ripple $ripple, Site $site): void
    {
        $moved = [];
        foreach ($ripple->pages as $difference) {
            if (! $difference->wasMade() && ! $difference->wasRemoved() && array_key_exists('parent', $difference->after ?? [])) {
                $moved[] = $difference->page;
            }
        }
        if ($moved === []) {
            return;
        }
        $inOrder = $this->db->select(<<<'SQL'
            with recursive up as (
                select id as root, parent_id, 1 as level from pages where site_id = ? and ulid = any(?::text[])
                union all
                select up.root, p.parent_id, up.level + 1 from up join pages p on p.id = up.parent_id
            )
            select root from up group by root order by max(level)
            SQL, [$site->id, PgArray::of($moved)]);
        foreach ($inOrder as $row) {
            $this->db->update(<<<'SQL'
                update pages p set path = move.base || subpath(p.path, move.depth)
                from (
                    select root.path as old, nlevel(root.path) - 1 as depth, coalesce(parent.path, ''::ltree) as base
                    from pages root left join pages parent on parent.id = root.parent_id where root.id = ?
                ) move
                where p.site_id = ? and p.path <@ move.old and p.path is distinct from move.base || subpath(p.path, move.depth)
                SQL, [$row->root, $site->id]);
        }
    }

    private function updateAddresses(Ripple $ripple): void
    {
        $addresses = [];
        foreach ($ripple->moves as $move) {
            $addresses[$move->page] = $move->to->path;
        }
        if ($addresses !== []) {
            $this->db->update(
                'update pages p set address = n.address, version = p.version + 1 from unnest(?::text[], ?::text[]) as n(ulid, address) where p.ulid = n.ulid',
                [PgArray::of(array_keys($addresses)), PgArray::of($addresses)],
            );
        }
    }

    /** @param  list<ClaimDifference>  $differences */
    private function writeClaims(array $differences, Site $site, HistoryEntry $entry): void
    {
        if ($differences === []) {
            return;
        }
        $this->db->delete('delete from ledger where site_id = ? and key = any(?::text[])', [$site->id, PgArray::of(array_map(static fn (ClaimDifference $d): string => $d->key, $differences))]);
        $rows = [];
        foreach ($differences as $difference) {
            $claim = $difference->after;
            if ($claim === null) {
                continue;
            }
            $was = $difference->before;
            $same = $was !== null && $was->kind === $claim->kind && $was->page === $claim->page;
            $rows[] = [
                'key' => $difference->key, 'address' => $claim->address->path, 'kind' => $claim->kind->value, 'page' => $claim->page, 'ever_live' => $claim->everLive,
                'since' => $same ? $was->since?->format(DATE_ATOM) : null, 'entry' => $same ? $was->byChange : $entry->ulid,
            ];
        }
        $this->db->insert(<<<'SQL'
            insert into ledger (site_id, key, address, kind, page_id, ever_live, since, by_entry_id)
            select ?, n.key, n.address, n.kind, p.id, n.ever_live, coalesce(n.since, now()), h.id
            from jsonb_to_recordset(?::jsonb) as n(key text, address text, kind text, page text, ever_live boolean, since timestamptz, entry text)
            join pages p on p.ulid = n.page left join history h on h.ulid = n.entry
            SQL, [$site->id, json_encode($rows, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE)]);
    }

    private function remove(string $page): void
    {
        $this->db->insert(<<<'SQL'
            insert into unmade_pages (ulid, site_id, record, words)
            select p.ulid, p.site_id, to_jsonb(p), (select to_jsonb(w) from page_words w where w.page_id = p.id) from pages p where p.ulid = ?
            SQL, [$page]);
        $this->db->delete('delete from pages where ulid = ?', [$page]);
    }
}
