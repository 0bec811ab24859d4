<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\HistoryEntry;
use App\Models\Site;
use Heronstem\Core\Menu\Entry;
use Heronstem\Core\Menu\MenuDifference;
use Heronstem\Core\Ripple\RawLinkEffect;
use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Tree\PageDifference;
use Illuminate\Database\ConnectionInterface;

/** Which pages the audit has to look at: put down with every change, taken off piece by piece, so that nothing is lost when it stops half-way. */
final readonly class AuditQueue
{
    /** Fields of a page that those below it inherit. */
    private const INHERITED = ['branchSearch' => true, 'parent' => true, 'name' => true];

    /** Changed addresses that are looked for at a time. */
    private const PIECE = 4000;

    public function __construct(private ConnectionInterface $db)
    {
    }

    /** What shares something with pages that go for good: asked before they are gone, and with them what they said. */
    public function before(Ripple $ripple, Site $site): void
    {
        $removed = $ripple->pages->where(static fn (PageDifference $difference): bool => $difference->wasRemoved());
        if ($removed !== []) {
            $this->addSharing($site, $removed);
        }
    }

    /**
     * Pages that share something with these, once each: looked for by what is shared, since any two of many that all say the same would be many pairs.
     *
     * @param  list<string>  $pages
     */
    private function addSharing(Site $site, array $pages): void
    {
        $this->insert(
            <<<'SQL'
            with gone as materialized (select id from pages where site_id = ? and ulid = any(?::text[])),
            shared as materialized (
                select distinct k.key from gone join audit_keys k on k.page_id = gone.id where k.key not like 'names:%' and k.key not like 'at:%'
            )
            select distinct k.page_id, k.site_id, false, null::bigint from shared join audit_keys k on k.site_id = ? and k.key = shared.key
            where not exists (select 1 from gone where gone.id = k.page_id)
            SQL
            ,
            [$site->id, PgArray::of($pages), $site->id],
        );
    }

    public function after(Ripple $ripple, Site $site, HistoryEntry $entry): void
    {
        if ($ripple->search->settings?->concernsPages() === true || $ripple->addresses->rules?->respells() === true) {
            $this->addSite($site, $entry->id);

            return;
        }
        if ($ripple->search->settings?->switchesLinkChecks() === true) {
            $this->addOutside($site, null, $entry->id);
        }
        $branches = $ripple->pages->topsWhere(
            static fn (PageDifference $each): bool => ! $each->wasMade() && array_intersect_key($each->after ?? [], self::INHERITED) !== [],
        );
        $pages = array_fill_keys([...$ripple->pages->changed(), ...$ripple->addresses->moved], true);
        $pages += $this->named($ripple);
        $pages += array_fill_keys(array_map(static fn (RawLinkEffect $effect): string => $effect->link->page, $ripple->rewrites()), true);
        $this->addMenus($site, array_map(static fn (MenuDifference $menu): string => $menu->menu, $ripple->menusAndLinks->menus), $entry->id);
        foreach ($ripple->addresses->claims->inPieces(self::PIECE) as $piece) {
            $addresses = [];
            foreach ($piece as $claim) {
                foreach (array_filter([$claim->before, $claim->after]) as $either) {
                    $addresses["at:{$either->address->path}"] = true;
                    $pages += $either->page === null ? [] : [$either->page => true];
                }
            }
            $this->addNaming($site, array_map(strval(...), array_keys($addresses)), false, $entry->id);
        }
        $this->addWithBranches($site, array_map(strval(...), array_keys($pages)), $branches, $entry->id);
        $this->addNaming($site, [], $ripple->redirects->rules !== [], $entry->id);
        // What named a page that is gone for good is not found by that page's own facts any more.
        $gone = $ripple->pages->where(static fn (PageDifference $difference): bool => $difference->wasRemoved() || $difference->goesIntoBin());
        $this->addNaming($site, array_map(static fn (string $page): string => "names:$page", $gone), false, $entry->id);
    }

    /** @param  list<string>  $pages */
    public function add(Site $site, array $pages, ?int $entry = null): void
    {
        if ($pages !== []) {
            $this->insert('select p.id, p.site_id, true, ?::bigint from pages p where p.site_id = ? and p.ulid = any(?::text[])', [
                $entry,
                $site->id,
                PgArray::of($pages),
            ]);
        }
    }

    public function addSite(Site $site, ?int $entry = null): void
    {
        $this->insert("select p.id, p.site_id, true, ?::bigint from pages p where p.site_id = ? and p.state <> 'bin'", [$entry, $site->id]);
    }

    /** @param  list<int>  $ids */
    public function addNumbered(Site $site, array $ids): void
    {
        $this->insert('select p.id, p.site_id, true, null::bigint from pages p where p.site_id = ? and p.id = any(?::bigint[])', [
            $site->id,
            PgArray::of($ids),
        ]);
    }

    /** @param  list<string>  $menus  whose pages are looked at */
    private function addMenus(Site $site, array $menus, int $entry): void
    {
        if ($menus !== []) {
            $this->insert(
                'select distinct e.page_id, m.site_id, true, ?::bigint from menus m join menu_entries e on e.menu_id = m.id
                where m.site_id = ? and m.ulid = any(?::text[]) and e.page_id is not null',
                [$entry, $site->id, PgArray::of($menus)],
            );
        }
    }

    /**
     * Pages and whole branches, each page once: a branch that moves is mostly what was changed itself.
     *
     * @param  list<string>  $pages
     * @param  list<string>  $branches  pages at their tops
     */
    private function addWithBranches(Site $site, array $pages, array $branches, int $entry): void
    {
        $this->add($site, $pages, $entry);
        if ($branches !== []) {
            $this->insert(
                "select distinct p.id, p.site_id, true, ?::bigint from pages above join pages p on p.site_id = above.site_id and p.path <@ above.path and p.state <> 'bin'
                where above.site_id = ? and above.ulid = any(?::text[]) and p.ulid <> all(?::text[])",
                [$entry, $site->id, PgArray::of($branches), PgArray::of($pages)],
            );
        }
    }

    /** Pages that link to another site, at one URL (StoredAudit::outsideKey) or any. */
    public function addOutside(Site $site, ?string $key, ?int $entry = null): void
    {
        $this->insert(
            "select distinct k.page_id, k.site_id, false, ?::bigint from audit_keys k where k.site_id = ? and k.key >= 'out:' and k.key < 'out;' and (?::text is null or k.key = ?)",
            [$entry, $site->id, $key, $key],
        );
    }

    /**
     * Pages whose own facts stand: only what they name answers otherwise.
     *
     * @param  list<string>  $keys
     * @param  bool  $allAddresses  a rule may answer for any address
     */
    private function addNaming(Site $site, array $keys, bool $allAddresses, int $entry): void
    {
        if ($keys !== [] || $allAddresses) {
            $this->insert(
                'select distinct k.page_id, k.site_id, false, ?::bigint from audit_keys k where k.site_id = ? and '.
                    ($allAddresses ? "(k.key = any(?::text[]) or (k.key >= 'at:' and k.key < 'at;'))" : 'k.key = any(?::text[])'),
                [$entry, $site->id, PgArray::of($keys)],
            );
        }
    }

    /** @param  list<mixed>  $bindings */
    private function insert(string $select, array $bindings): void
    {
        $this->db->insert("insert into audit_due (page_id, site_id, facts, entry_id) $select", $bindings);
    }

    /** @return array<string, true> pages that menus show from now on or no longer, and former and new start pages */
    private function named(Ripple $ripple): array
    {
        $pages = array_filter([
            $ripple->pages->startPage?->before,
            $ripple->pages->startPage?->after,
            $ripple->pages->startPageSignedIn?->before,
            $ripple->pages->startPageSignedIn?->after,
        ]);
        foreach ($ripple->menusAndLinks->menus as $difference) {
            foreach ($difference->entries as $entry) {
                array_push($pages, ...array_filter(array_map(static fn (?Entry $each): ?string => $each?->page(), $entry)));
            }
        }

        return array_fill_keys($pages, true);
    }

    /** Keeps others from looking at the site in the same transaction. */
    public function lock(Site $site): void
    {
        $this->db->select('select pg_advisory_xact_lock(?, ?)', [crc32('heronstem.audit') & 0x7FFFFFFF, $site->id]);
    }

    /** Forgets pages that are gone. */
    public function forgetGone(Site $site): void
    {
        $this->db->delete('delete from audit_due d where d.site_id = ? and not exists (select 1 from pages p where p.id = d.page_id)', [$site->id]);
    }

    /**
     * The next pages, each with the lines that ask for it: what is put down later is kept. A page that somebody is
     * deleting at this moment is left for the next look: waiting for them, who may wait for us, would go on for ever.
     * Cost: that of the pages it gives, however many wait.
     *
     * @param  int  $after  number of the page after which to go on
     * @return list<object{page_id: int, ulid: string, entry_id: int|null, lines: string}>
     */
    public function next(Site $site, bool $facts, int $limit, int $after): array
    {
        /** @var list<object{page_id: int, ulid: string, entry_id: int|null, lines: string}> $due */
        $due = $this->db->select(
            <<<'SQL'
            with first as materialized (
                select distinct page_id from (select page_id from audit_due where site_id = ? and facts = ? and page_id > ? order by page_id limit ?) lines
            )
            select d.page_id, p.ulid, max(d.entry_id) as entry_id, string_agg(d.id::text, ',') as lines
            from first join pages p on p.id = first.page_id join audit_due d on d.page_id = first.page_id and d.facts = ?
            group by d.page_id, p.ulid order by d.page_id
            SQL
            ,
            [$site->id, $facts, $after, $limit, $facts],
        );
        $free = array_column(
            $this->db->select('select id from pages where id = any(?::bigint[]) order by id for key share skip locked', [
                PgArray::of(array_column($due, 'page_id')),
            ]),
            'id',
            'id',
        );

        return array_values(array_filter($due, static fn (object $row): bool => isset($free[$row->page_id])));
    }

    /**
     * Pages whose facts were read: what they share and say is to be looked at, theirs and their dependents'.
     *
     * @param  list<object{page_id: int, ulid: string, entry_id: int|null, lines: string}>  $read
     * @param  array<string, int|null>  $dependents  by identity, with the entry of the history that brought it about
     */
    public function factsRead(Site $site, array $read, array $dependents): void
    {
        $this->done($read);
        $asked = $dependents + array_column($read, 'entry_id', 'ulid');
        $this->insert(
            'select p.id, p.site_id, false, n.entry from unnest(?::text[], ?::bigint[]) as n(ulid, entry) join pages p on p.ulid = n.ulid where p.site_id = ?',
            [PgArray::of(array_keys($asked)), PgArray::numbers($asked), $site->id],
        );
    }

    /** @param  list<object{page_id: int, ulid: string, entry_id: int|null, lines: string}>  $pages */
    public function done(array $pages): void
    {
        $this->db->delete('delete from audit_due where id = any(?::bigint[])', ['{'.implode(',', array_column($pages, 'lines')).'}']);
    }

    /** Whether every page of the tree is due. */
    public function isWhole(Site $site): bool
    {
        return (bool) $this->db->scalar(
            "select not exists (select 1 from pages p where p.site_id = ? and p.state <> 'bin' and not exists (select 1 from audit_due d where d.page_id = p.id))",
            [$site->id],
        );
    }

    public function waiting(Site $site): int
    {
        return (int) $this->db->scalar('select count(distinct d.page_id) from audit_due d join pages p on p.id = d.page_id where d.site_id = ?', [
            $site->id,
        ]);
    }
}
