<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\AddressShift;
use Heronstem\Core\Tree\CarriedPage;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\Pages;
use Heronstem\Core\Tree\PersonAtPage;
use Heronstem\Core\Tree\PersonRole;
use Illuminate\Database\ConnectionInterface;

/** The core's pages port over PostgreSQL: a branch is one indexed range of paths. */
final readonly class StoredPages implements Pages
{
    /** A page of the tree and what is below it there; of one in the bin, what it took along. */
    private const BRANCH = 'p.path <@ ?::ltree and p.bin_id is not distinct from ?';

    /** Pages of a branch that are read at a time. */
    private const PIECE = 4000;

    /** The same, each in few words. */
    private const FEW_WORDS = 10_000;

    private AddressRules $rules;

    private string $select;

    public function __construct(private ConnectionInterface $db, private Site $site)
    {
        $this->rules = $site->rules();
        $this->select =
            'select p.ulid, parent.ulid as parent, bin.ulid as bin, p.address, '.
            PageColumns::selected().
            ', w.working_version as "contentSaved", w.live_version as content
            from pages p left join page_contents w on w.page_id = p.id left join pages parent on parent.id = p.parent_id left join pages bin on bin.id = p.bin_id';
    }

    public function page(string $id): ?Page
    {
        $row = $this->db->selectOne(KeptPlans::MARK.$this->select.' where p.site_id = ? and p.ulid = ?', [$this->site->id, $id]);

        return $row === null ? null : $this->toPage($row);
    }

    public function withAncestors(array $ids): iterable
    {
        $rows = $this->db->cursor(
            KeptPlans::MARK.
                $this->select.
                " where p.site_id = ? and p.id = any(array(
            select distinct unnest(string_to_array(n.path::text, '.')::bigint[]) from pages n where n.site_id = ? and n.ulid = any(?::text[])
        ))",
            [$this->site->id, $this->site->id, PgArray::of($ids)],
        );
        foreach ($rows as $row) {
            yield $this->toPage($row);
        }
    }

    /**
     * @param  list<string>  $ids
     * @return iterable<Page> these alone
     */
    public function these(array $ids): iterable
    {
        foreach (
            $this->db->select($this->select.' where p.site_id = ? and p.ulid = any(?::text[])', [$this->site->id, PgArray::of($ids)]) as $row
        ) {
            yield $this->toPage($row);
        }
    }

    public function branch(string $id): iterable
    {
        return $this->below($id, self::BRANCH);
    }

    public function carried(string $id, AddressShift $shift): iterable
    {
        // The page itself comes first.
        foreach (array_chunk(array_slice($this->idsBelow($id, self::BRANCH), 1), self::FEW_WORDS) as $piece) {
            // `offset 0`: each page looks up its own, or the database would rather go through all the pages there are.
            $rows = $this->db->select(
                KeptPlans::MARK.
                    <<<'SQL'
                    select p.ulid, parent.ulid as parent, p.name, p.layout, p.address, nullif(own.key, p.address) as key,
                        p.state = 'live' as live, p.listed and p.kind in ('page', 'download') as listed, own.ever_live as known, next.id is not null as back,
                        own.address = p.address and p.pinned is null and not p.left_out and p.access is null and p.branch_search is null
                            and p.search->'own' is null and p.search->>'canonical' is null
                            and starts_with(p.address, ?) and starts_with(own.key, ?)
                            and (next.id is null or (next.kind = 'redirect' and next.page_id = p.id and next.ever_live and next.held_for_id is null
                                and next.address = ? || substr(p.address, ?))) as plain
                    from pages p join pages parent on parent.id = p.parent_id
                        left join lateral (select l.* from ledger l where l.page_id = p.id and l.kind = 'page' offset 0) own on true
                        left join lateral (select l.* from ledger l where l.site_id = p.site_id and l.key = ? || substr(own.key, ?) offset 0) next on true
                    where p.id = any(?::bigint[]) order by nlevel(p.path), p.id
                    SQL
                ,
                [
                    $shift->from,
                    $shift->fromKey,
                    $shift->to,
                    mb_strlen($shift->from) + 1,
                    $shift->toKey,
                    mb_strlen($shift->fromKey) + 1,
                    PgArray::of($piece),
                ],
            );
            foreach ($rows as $row) {
                yield new CarriedPage(
                    $row->ulid,
                    $row->parent,
                    $row->name,
                    $row->layout,
                    Address::kept($row->address, $row->key ?? $row->address),
                    $row->live,
                    $row->live && $row->listed,
                    $row->known === true,
                    $row->plain === true && $row->back,
                    $row->plain === true,
                );
            }
        }
    }

    public function namingAsCanonical(array $pages): iterable
    {
        foreach (
            $this->db->select(KeptPlans::MARK.$this->select." where p.site_id = ? and p.search->>'canonical' = any(?::text[])", [
                $this->site->id,
                PgArray::of($pages),
            ]) as $row
        ) {
            yield $this->toPage($row);
        }
    }

    public function settingBranches(): array
    {
        return array_column(
            $this->db->select(KeptPlans::MARK."select ulid from pages where site_id = ? and branch_search is not null and state <> 'bin'", [
                $this->site->id,
            ]),
            'ulid',
        );
    }

    public function tagged(string $tag): iterable
    {
        $one = json_encode([$tag], JSON_THROW_ON_ERROR);
        foreach (
            $this->db->select($this->select." where p.site_id = ? and p.state <> 'bin' and p.tags @> ?::jsonb", [$this->site->id, $one]) as $row
        ) {
            yield $this->toPage($row);
        }
    }

    public function whole(): iterable
    {
        foreach (
            $this->db->cursor($this->select." where p.site_id = ? and p.state <> 'bin' order by nlevel(p.path), p.id", [$this->site->id]) as $row
        ) {
            yield $this->toPage($row);
        }
    }

    public function binnedBelow(string $id): iterable
    {
        return $this->below($id, 'p.path <@ ?::ltree and p.bin_id = p.id and p.id <> coalesce(?, 0)');
    }

    public function childOrder(?string $parent): array
    {
        $rows = $this->db->select(
            KeptPlans::MARK.
                "select ulid, position from pages where site_id = ? and state <> 'bin' and parent_id ".
                ($parent === null ? 'is null' : '= (select id from pages where ulid = ?)').
                ' order by position',
            $parent === null ? [$this->site->id] : [$this->site->id, $parent],
        );

        return array_column($rows, 'position', 'ulid');
    }

    public function childOrders(array $parents): array
    {
        $rows = $this->db->select(
            KeptPlans::MARK.
                "select c.ulid, c.position, p.ulid as parent from pages p join pages c on c.parent_id = p.id
                where p.site_id = ? and p.ulid = any(?::text[]) and c.state <> 'bin' order by p.id, c.position",
            [$this->site->id, PgArray::of($parents)],
        );
        $orders = [];
        foreach ($rows as $row) {
            $orders[$row->parent][$row->ulid] = $row->position;
        }

        return $orders;
    }

    public function peopleAt(array $pages): iterable
    {
        $rows = $this->db->select(
            "
            select p.ulid, u.name, 'unsaved content' as tie from drafts d join pages p on p.id = d.page_id join users u on u.id = d.user_id
                where p.site_id = ? and p.ulid = any(?::text[])
            union all
            select distinct p.ulid, coalesce(u.name, r.name), 'branch' from right_lines l join pages p on p.id = l.page_id left join users u on u.id = l.user_id left join roles r on r.id = l.role_id
                where p.site_id = ? and p.ulid = any(?::text[])
            order by 3 desc, 2, 1",
            [$this->site->id, PgArray::of($pages), $this->site->id, PgArray::of($pages)],
        );
        foreach ($rows as $row) {
            yield new PersonAtPage($row->ulid, $row->name, PersonRole::from($row->tie));
        }
    }

    /** @return iterable<Page> */
    private function below(string $id, string $where): iterable
    {
        foreach (array_chunk($this->idsBelow($id, $where), self::PIECE) as $piece) {
            $rows = $this->db->select($this->select.' where p.id = any(?::bigint[]) order by nlevel(p.path), p.id', [PgArray::of($piece)]);
            foreach ($rows as $row) {
                yield $this->toPage($row);
            }
        }
    }

    /**
     * What is read a piece at a time, parents first: the connection would hold the rows of a whole branch besides.
     *
     * @param  string  $where  of the page's path and what it is in the bin with
     * @return list<int>
     */
    private function idsBelow(string $id, string $where): array
    {
        $root = $this->db->selectOne('select path::text, bin_id from pages where site_id = ? and ulid = ?', [$this->site->id, $id]);
        // As one text: rows by themselves would take thirty times as much.
        $ids =
            $root === null
                ? null
                : $this->db->scalar("select string_agg(p.id::text, ',' order by nlevel(p.path), p.id) from pages p where p.site_id = ? and $where", [
                    $this->site->id,
                    $root->path,
                    $root->bin_id,
                ]);

        return $ids === null ? [] : array_map(intval(...), explode(',', $ids));
    }

    private function toPage(\stdClass $row): Page
    {
        return Page::fromFields((array) $row, $row->ulid, Address::stored($row->address, $this->rules), $this->rules);
    }
}
