<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\HistoryEntry;
use App\Models\Site;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Ledger\ClaimDifference;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageDifference;
use Illuminate\Database\ConnectionInterface;

/** Writes a ripple to pages and ledger: a handful of set-based statements, however large the branch. */
final readonly class RippleWriter
{
    public function __construct(private ConnectionInterface $db, private NewPages $newPages, private GonePages $gonePages, private LiveContent $content)
    {
    }

    public function write(Ripple $ripple, Site $site, HistoryEntry $entry): void
    {
        $made = $changed = $removed = $moved = [];
        foreach ($ripple->pages->differences as $difference) {
            $page = $ripple->pages->outcome[$difference->page] ?? null;
            if ($page === null) {
                $removed[] = $difference->page;
            } elseif ($difference->wasMade()) {
                $made[] = $page;
            } else {
                $changed[] = $page;
                if ($difference->changedParent()) {
                    $moved[] = $page->id;
                }
            }
        }
        $this->newPages->make($made, $ripple->pages->copies, $site, $entry);
        $this->updateFields($changed, $site, $entry);
        $addresses = $this->addresses($ripple, $changed);
        if (count($moved) === 1) {
            $this->moveBranch($moved[0], $addresses, $site);
        } else {
            $this->updatePaths($moved, $site);
            $this->updateAddresses($addresses);
        }
        $this->writeClaims($ripple->addresses->claims, $site, $entry);
        if ($ripple->pages->startPage !== null) {
            $this->db->update('update sites set start_page_id = (select id from pages where ulid = ? and site_id = ?) where id = ?', [$ripple->pages->startPage->after, $site->id, $site->id]);
            $site->refresh();
        }
        if ($ripple->pages->startPageSignedIn !== null) {
            $this->db->update('update sites set start_page_signed_in_id = (select id from pages where ulid = ? and site_id = ?) where id = ?', [$ripple->pages->startPageSignedIn->after, $site->id, $site->id]);
            $site->refresh();
        }
        (new StoredMenus($this->db, $site))->write($ripple->menusAndLinks->menus);
        (new StoredRules($this->db, $site))->write($ripple->redirects->rules, $entry);
        $this->gonePages->remove($removed, $site);
        $this->content->show($this->contentShown($changed, $ripple));
    }

    /**
     * @param  list<Page>  $changed
     * @return array<string, int|null> the version that visitors get from now on, of pages where it is another
     */
    private function contentShown(array $changed, Ripple $ripple): array
    {
        $other = array_filter($ripple->pages->differences, static fn (PageDifference $difference): bool => in_array('content', $difference->aspects(), true));
        $ids = array_flip(array_map(static fn (PageDifference $difference): string => $difference->page, $other));

        return array_column(array_filter($changed, static fn (Page $page): bool => isset($ids[$page->id])), 'contentLive', 'id');
    }

    /** @param  list<Page>  $pages */
    private function updateFields(array $pages, Site $site, HistoryEntry $entry): void
    {
        if ($pages === []) {
            return;
        }
        $this->db->update(<<<'SQL'
            update pages p set
                parent_id = parent.id, position = n.position, name = n.name, slug = n.slug, slug_by_hand = n.slug_by_hand, pinned = n.pinned,
                live_since = case when n.state <> 'live' then null when p.state = 'live' then p.live_since else now() end,
                state = n.state, ever_live = n.ever_live, listed = n.listed,
                kind = n.kind, leads_to = n.leads_to, left_out = n.left_out, is_protected = n.is_protected, bin_id = bin.id, was = n.was,
                binned_at = case when n.state <> 'bin' then null else coalesce(p.binned_at, now()) end,
                from_at = n.from_at, until_at = n.until_at, review_note = n.review_note,
                heading = n.heading, summary = n.summary, search_title = n.search_title, search_description = n.search_description, prepared = n.prepared::jsonb, layout = n.layout, indexed = n.indexed,
                version = p.version + 1, changed_by = ?, updated_at = now(), reach_due = true
            from jsonb_to_recordset(?::jsonb) as n(ulid text, parent text, position bigint, name text, slug text, slug_by_hand boolean, pinned text, state text, ever_live boolean, listed boolean,
                kind text, leads_to text, left_out boolean, is_protected boolean, bin text, was text, from_at timestamptz, until_at timestamptz, review_note text,
                heading text, summary text, search_title text, search_description text, prepared text, layout text, indexed boolean)
            left join pages parent on parent.ulid = n.parent and parent.site_id = ?
            left join pages bin on bin.ulid = n.bin and bin.site_id = ?
            where p.ulid = n.ulid and p.site_id = ?
            SQL, [$entry->user_id, $this->json(array_map(PageRow::of(...), $pages)), $site->id, $site->id, $site->id]);
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

    /**
     * Path and address of one moved branch in one statement, so that each row is written once.
     *
     * @param  array<string, string>  $addresses  by page
     */
    private function moveBranch(string $root, array $addresses, Site $site): void
    {
        $this->db->update(<<<'SQL'
            with move as (
                select root.path as old, nlevel(root.path) - 1 as depth, coalesce(parent.path, ''::ltree) as base
                from pages root left join pages parent on parent.id = root.parent_id where root.ulid = ? and root.site_id = ?
            ), n as materialized (select * from unnest(?::text[], ?::text[]) as n(ulid, address)),
            target as (
                select p.id, move.base || subpath(p.path, move.depth) as path, n.address from move join pages p on p.site_id = ? and p.path <@ move.old left join n on n.ulid = p.ulid
                union all
                select p.id, p.path, n.address from n join pages p on p.ulid = n.ulid, move where not p.path <@ move.old
            )
            update pages p set path = t.path, address = coalesce(t.address, p.address), version = p.version + 1 from target t where p.id = t.id
            SQL, [$root, $site->id, PgArray::of(array_keys($addresses)), PgArray::of($addresses), $site->id]);
    }

    /**
     * @param  list<Page>  $changed  of which some come back from the bin to another address than they had
     * @return array<string, string> by page
     */
    private function addresses(Ripple $ripple, array $changed): array
    {
        $addresses = [];
        foreach ($ripple->addresses->moves as $move) {
            $addresses[$move->page] = $move->to->path;
        }
        foreach ($changed as $page) {
            $addresses[$page->id] = $page->address->path;
        }

        return $addresses;
    }

    /** @param  array<string, string>  $addresses  by page */
    private function updateAddresses(array $addresses): void
    {
        if ($addresses !== []) {
            $this->db->update(
                'update pages p set address = n.address, version = p.version + 1 from unnest(?::text[], ?::text[]) as n(ulid, address) where p.ulid = n.ulid and p.address <> n.address',
                [PgArray::of(array_keys($addresses)), PgArray::of($addresses)],
            );
        }
    }

    /**
     * What stops being a page's own address is turned where it stands; everything else is written anew, so that
     * pages which trade places never hold two addresses at once.
     *
     * @param  list<ClaimDifference>  $differences
     */
    private function writeClaims(array $differences, Site $site, HistoryEntry $entry): void
    {
        $gone = $turned = $new = [];
        foreach ($differences as $difference) {
            $after = $difference->after;
            if ($after !== null && $after->kind !== ClaimKind::Page && $difference->before !== null && $difference->before->address->path === $after->address->path) {
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
            $this->db->update("update ledger l set kind = c.kind, page_id = c.page_id, ever_live = c.ever_live, held_for_id = c.held_for_id, since = c.since, by_entry_id = c.by_entry_id
                from (select n.key, n.kind, p.id as page_id, n.ever_live, f.id as held_for_id, coalesce(n.since, now()) as since, h.id as by_entry_id from $claims) c where l.site_id = ? and l.key = c.key", [$this->json($turned), $site->id]);
        }
        if ($new !== []) {
            $this->db->insert("insert into ledger (site_id, key, address, kind, page_id, ever_live, held_for_id, since, by_entry_id)
                select ?, n.key, n.address, n.kind, p.id, n.ever_live, f.id, coalesce(n.since, now()), h.id from $claims", [$site->id, $this->json($new)]);
        }
    }

    /** @return array<string, scalar|null> */
    private function claimRow(string $key, Claim $claim, ?Claim $was, HistoryEntry $entry): array
    {
        $same = $was !== null && $was->kind === $claim->kind && $was->page === $claim->page;

        return [
            'key' => $key, 'address' => $claim->address->path, 'kind' => $claim->kind->value, 'page' => $claim->page, 'ever_live' => $claim->everLive,
            'held_for' => $claim->heldFor, 'since' => $same ? $was->since : null, 'entry' => $same ? $was->byChange : $entry->ulid,
        ];
    }

    /** @param  list<array<string, scalar|null>>  $rows */
    private function json(array $rows): string
    {
        return json_encode($rows, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE);
    }
}
