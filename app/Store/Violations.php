<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\Composition;
use Heronstem\Core\Address\Slug;
use Illuminate\Database\ConnectionInterface;

/** The invariants of a site, checked against what is stored. Reads every page once, in tree order. */
final readonly class Violations
{
    public function __construct(private ConnectionInterface $db)
    {
    }

    /** @return list<array{invariant: string, what: string}> */
    public function of(Site $site): array
    {
        return [
            ...$this->tree($site),
            ...$this->addresses($site),
            ...$this->bin($site),
            ...$this->ledger($site),
            ...$this->menus($site),
            ...$this->redirects($site),
            ...$this->gates($site),
        ];
    }

    /** @return list<array{invariant: string, what: string}> */
    private function gates(Site $site): array
    {
        return array_values(
            array_map(
                static fn (\stdClass $row): array => [
                    'invariant' => 'gate',
                    'what' => "“{$row->name}” does not know the nearest page that says who sees it.",
                ],
                $this->db->select(
                    <<<'SQL'
                    with gates as materialized (select id, path from pages where site_id = ? and access is not null)
                    select p.name from pages p where p.site_id = ? and p.gate_id is distinct from
                        (select g.id from gates g where g.path @> p.path order by nlevel(g.path) desc limit 1)
                    SQL
                    ,
                    [$site->id, $site->id],
                ),
            ),
        );
    }

    /** @return list<array{invariant: string, what: string}> */
    private function menus(Site $site): array
    {
        $found = [];
        foreach ((new StoredMenus($this->db, $site))->all() as $menu) {
            if (count($menu->inOrder()) !== count($menu->entries)) {
                $found[] = ['invariant' => 'menu-order', 'what' => "An entry of “{$menu->name}” hangs below one that is not there."];
            }
        }
        foreach (
            $this->db->select(
                'select m.name, p.name as page from menu_entries e join menus m on m.id = e.menu_id join pages p on p.id = e.page_id
                    where m.site_id = ? and p.site_id <> m.site_id',
                [$site->id],
            ) as $row
        ) {
            $found[] = ['invariant' => 'menu-leads', 'what' => "An entry of “{$row->name}” leads to “{$row->page}”, a page of another site."];
        }

        return $found;
    }

    /** @return list<array{invariant: string, what: string}> */
    private function redirects(Site $site): array
    {
        $found = [];
        foreach (
            $this->db->select(
                "select r.source from redirect_rules r left join ledger l on l.site_id = r.site_id and l.key = r.key and l.kind = 'rule'
                    where r.site_id = ? and r.claims and l.id is null",
                [$site->id],
            ) as $row
        ) {
            $found[] = ['invariant' => 'redirect-address', 'what' => "The redirect of {$row->source} does not hold its address in the ledger."];
        }
        foreach (
            $this->db->select(
                "select l.address from ledger l left join redirect_rules r on r.site_id = l.site_id and r.key = l.key and r.claims
                    where l.site_id = ? and l.kind = 'rule' and r.id is null",
                [$site->id],
            ) as $row
        ) {
            $found[] = ['invariant' => 'redirect-address', 'what' => "{$row->address} is held by a redirect that is not there."];
        }
        foreach ($this->db->cursor('select source, key, scope from redirect_rules where site_id = ?', [$site->id]) as $row) {
            if ($row->scope !== 'pattern' && Address::stored($row->source, $site->rules())->key !== $row->key) {
                $found[] = ['invariant' => 'normal-form', 'what' => "The redirect of {$row->source} is filed under a wrong key."];
            }
        }

        return $found;
    }

    /** @return list<array{invariant: string, what: string}> */
    private function tree(Site $site): array
    {
        $found = [];
        foreach (
            $this->db->select(
                "select p.name, p.address from pages p left join pages parent on parent.id = p.parent_id
                    where p.site_id = ? and p.path <> coalesce(parent.path, ''::ltree) || p.id::text",
                [$site->id],
            ) as $row
        ) {
            $found[] = ['invariant' => 'one-tree', 'what' => "“{$row->name}” ({$row->address}) is filed under a path that is not its parent's."];
        }
        foreach (
            $this->db->select(
                'select p.name, parent.name as parent from pages p join pages parent on parent.id = p.parent_id where p.site_id = ? and parent.site_id <> p.site_id',
                [$site->id],
            ) as $row
        ) {
            $found[] = ['invariant' => 'one-tree', 'what' => "“{$row->name}” lies inside “{$row->parent}”, a page of another site."];
        }
        $lost = $this->db->select(
            'with recursive t as (select id from pages where site_id = ? and parent_id is null union select p.id from t
                join pages p on p.parent_id = t.id) select name from pages where site_id = ? and id not in (select id from t)',
            [$site->id, $site->id],
        );
        foreach ($lost as $row) {
            $found[] = ['invariant' => 'one-tree', 'what' => "“{$row->name}” hangs in a cycle and is reached from nowhere."];
        }
        foreach (
            $this->db->select(
                "select position, count(*) as n from pages where site_id = ? and state <> 'bin' group by parent_id, position having count(*) > 1",
                [$site->id],
            ) as $row
        ) {
            $found[] = ['invariant' => 'sibling-order', 'what' => "{$row->n} siblings share the position {$row->position}."];
        }

        return $found;
    }

    /** @return list<array{invariant: string, what: string}> */
    private function addresses(Site $site): array
    {
        $rules = $site->rules();
        $found = [];
        /** @var array<int, Address|null> $passedOn the address below which a page's children stand */
        $passedOn = [];
        foreach (
            $this->db->cursor(
                "select id, parent_id, name, slug, pinned, address, left_out from pages where site_id = ? and state <> 'bin' order by nlevel(path)",
                [$site->id],
            ) as $row
        ) {
            $above = $row->parent_id === null ? null : $passedOn[$row->parent_id] ?? null;
            $composed = match (true) {
                $row->id === $site->start_page_id => Address::stored('/', $rules),
                $row->pinned !== null => Address::stored($row->pinned, $rules),
                default => Composition::compose($above, Slug::stored($row->slug), $rules),
            };
            $passedOn[$row->id] = $row->left_out ? $above : $composed;
            if ($composed->path !== $row->address) {
                $found[] = [
                    'invariant' => 'composition',
                    'what' => "“{$row->name}” is at {$row->address}; its place and slug make {$composed->path}.",
                ];
            }
        }

        return $found;
    }

    /** @return list<array{invariant: string, what: string}> */
    private function bin(Site $site): array
    {
        $found = [];
        foreach (
            $this->db->select(
                "select p.name, parent.name as parent from pages p join pages parent on parent.id = p.parent_id where p.site_id = ? and p.state <> 'bin' and parent.state = 'bin'",
                [$site->id],
            ) as $row
        ) {
            $found[] = ['invariant' => 'bin', 'what' => "“{$row->name}” hangs below “{$row->parent}”, which is in the bin."];
        }
        foreach (
            $this->db->select(
                'select p.name from pages p join pages root on root.id = p.bin_id where p.site_id = ? and root.bin_id is distinct from root.id',
                [$site->id],
            ) as $row
        ) {
            $found[] = ['invariant' => 'bin', 'what' => "“{$row->name}” lies in the bin with a page that does not."];
        }
        foreach (
            $this->db->select(
                'select p.name from pages p left join pages parent on parent.id = p.parent_id where p.site_id = ? and p.bin_id <> p.id and parent.bin_id is distinct from p.bin_id',
                [$site->id],
            ) as $row
        ) {
            $found[] = ['invariant' => 'bin', 'what' => "“{$row->name}” lies in the bin with a page that it is not below."];
        }
        foreach (
            $this->db->select("select l.address, p.name from ledger l join pages p on p.id = l.page_id where l.site_id = ? and p.state = 'bin'", [
                $site->id,
            ]) as $row
        ) {
            $found[] = ['invariant' => 'bin', 'what' => "{$row->address} leads to “{$row->name}”, which is in the bin."];
        }
        foreach (
            $this->db->select(
                "select l.address from ledger l left join pages p on p.id = l.held_for_id
                    where l.site_id = ? and (l.held_for_id is not null or l.kind = 'bin') and p.state is distinct from 'bin'",
                [$site->id],
            ) as $row
        ) {
            $found[] = ['invariant' => 'bin', 'what' => "{$row->address} waits for a page that is not in the bin."];
        }

        return $found;
    }

    /** @return list<array{invariant: string, what: string}> */
    private function ledger(Site $site): array
    {
        $found = [];
        foreach (
            $this->db->select(
                "select p.name, p.address from pages p left
                    join ledger l on l.page_id = p.id and l.kind = 'page' and l.address = p.address and l.site_id = p.site_id
                    where p.site_id = ? and p.state <> 'bin' and l.id is null",
                [$site->id],
            ) as $row
        ) {
            $found[] = ['invariant' => 'own-address', 'what' => "“{$row->name}” does not hold its address {$row->address} in the ledger."];
        }
        foreach (
            $this->db->select(
                'select l.address from ledger l left join pages p on p.id = l.page_id and p.site_id = l.site_id where l.site_id = ? and l.page_id is not null and p.id is null',
                [$site->id],
            ) as $row
        ) {
            $found[] = ['invariant' => 'answers', 'what' => "{$row->address} leads to a page that is not on this site."];
        }
        foreach (
            $this->db->select(
                "select l.address, p.name from ledger l join pages p on p.id = l.page_id where l.site_id = ? and p.state = 'live' and not l.ever_live",
                [$site->id],
            ) as $row
        ) {
            $found[] = ['invariant' => 'answers', 'what' => "{$row->address} shows “{$row->name}” to visitors and is not marked as known to them."];
        }
        foreach ($this->db->cursor('select key, address from ledger where site_id = ?', [$site->id]) as $row) {
            $address = Address::asked($row->address, $site->rules());
            if ($address->path !== $row->address || $address->key !== $row->key) {
                $found[] = ['invariant' => 'normal-form', 'what' => "{$row->address} is not in normal form, or filed under a wrong key."];
            }
        }
        foreach ($this->everLiveLost($site) as $address) {
            $found[] = ['invariant' => 'nothing-lost', 'what' => "$address was live and nothing answers for it any more."];
        }

        return $found;
    }

    /** @return list<string> addresses that some entry of the history left live, that nobody gave up, and that are gone */
    private function everLiveLost(Site $site): array
    {
        return array_column(
            $this->db->select(
                <<<'SQL'
                with said as (
                    select entry_id as id, claim->>'key' as key, claim->'after' as after from history_claims where site_id = ?
                ), last as (select distinct on (key) key, after from said order by key, id desc)
                select last.after->>0 as address from last left join ledger l on l.site_id = ? and l.key = last.key
                where jsonb_typeof(last.after) = 'array' and (last.after->>3)::boolean and l.id is null
                SQL
                ,
                [$site->id, $site->id],
            ),
            'address',
        );
    }
}
