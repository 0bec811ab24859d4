<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Heronstem\Core\Linking\Target;
use Heronstem\Core\Menu\Audience;
use Heronstem\Core\Menu\BranchContents;
use Heronstem\Core\Menu\Closed;
use Heronstem\Core\Menu\Entry;
use Heronstem\Core\Menu\EntryKind;
use Heronstem\Core\Menu\Menu;
use Heronstem\Core\Menu\MenuDifference;
use Heronstem\Core\Menu\MenuKind;
use Heronstem\Core\Menu\Menus;
use Heronstem\Core\Moment;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Support\Str;

/** The core's menus port over PostgreSQL, and how menus are written. */
final readonly class StoredMenus implements Menus
{
    public function __construct(private ConnectionInterface $db, private Site $site)
    {
    }

    public function all(): array
    {
        $entries = [];
        $rows = $this->db->select(
            KeptPlans::MARK.'select m.ulid as menu, e.ulid, e.parent, e.position, e.kind, p.ulid as page, e.target, e.label, e.title, e.new_window, e.audience, e.contents, e.text, e.picture, e.closed,
            extract(epoch from e.from_at)::bigint as from_at, extract(epoch from e.until_at)::bigint as until_at from menus m
                join menu_entries e on e.menu_id = m.id left join pages p on p.id = e.page_id where m.site_id = ?',
            [$this->site->id],
        );
        foreach ($rows as $row) {
            $entries[$row->menu][$row->ulid] = $this->entry($row);
        }
        $menus = [];
        foreach ($this->db->select(KeptPlans::MARK.'select ulid, name, kind, place from menus where site_id = ? order by lower(name)', [$this->site->id]) as $row) {
            $menus[$row->ulid] = new Menu($row->ulid, $row->name, MenuKind::from($row->kind), $row->place, $entries[$row->ulid] ?? []);
        }

        return $menus;
    }

    /** What a new site has: a main menu that is filled from the tree. */
    public function begin(): void
    {
        $bar = new Entry((string) Str::ulid(), null, 0, EntryKind::Branch, contents: new BranchContents(2));
        $this->insert(new Menu((string) Str::ulid(), 'Main', MenuKind::Menu, 'main', [$bar->id => $bar]));
    }

    /** @param  list<MenuDifference>  $differences */
    public function write(array $differences): void
    {
        if ($differences === []) {
            return;
        }
        $now = $this->all();
        $this->db->delete('delete from menus where site_id = ? and ulid = any(?::text[])', [
            $this->site->id,
            PgArray::of(array_map(static fn (MenuDifference $difference): string => $difference->menu, $differences)),
        ]);
        foreach ($differences as $difference) {
            $menu = $difference->doneTo($now[$difference->menu] ?? null);
            if ($menu !== null) {
                $this->insert($menu);
            }
        }
    }

    private function insert(Menu $menu): void
    {
        $this->db->insert('insert into menus (ulid, site_id, name, kind, place) values (?, ?, ?, ?, ?)', [
            $menu->id,
            $this->site->id,
            $menu->name,
            $menu->kind->value,
            $menu->place,
        ]);
        $rows = array_map(static function (Entry $entry): array {
            $row = $entry->toArray();
            $leads = $entry->page() === null ? $row['leadsTo'] : null;

            return [...$row, 'page' => $entry->page(), 'target' => $leads];
        }, array_values($menu->entries));
        if ($rows === []) {
            return;
        }
        $this->db->insert(
            <<<'SQL'
            insert into menu_entries (ulid, menu_id, parent, position, kind, page_id, target, label, title, new_window, audience, from_at, until_at, contents, text, picture, closed)
            select n.id, m.id, n.parent, n.position, n.kind, p.id, n.target, n.label, n.title, n."newWindow", n.audience, n."from", n.until, n.contents, n.text, n.picture, n.closed
            from jsonb_to_recordset(?::jsonb) as n(id text, parent text, position bigint, kind text, page text, target text, label text, title text, "newWindow" boolean, audience text, "from" timestamptz, until timestamptz, contents jsonb, text text, picture text, closed text)
            join menus m on m.ulid = ? left join pages p on p.ulid = n.page and p.site_id = m.site_id
            SQL
            ,
            [json_encode($rows, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE), $menu->id],
        );
    }

    private function entry(\stdClass $row): Entry
    {
        $at = static fn (?int $seconds): ?Moment => $seconds === null ? null : Moment::at($seconds);
        $leads = $row->page === null ? $row->target : "page $row->page";
        $contents = $row->contents === null ? null : json_decode($row->contents, true, flags: JSON_THROW_ON_ERROR);

        return new Entry(
            $row->ulid,
            $row->parent,
            $row->position,
            EntryKind::from($row->kind),
            $leads === null ? null : Target::stored($leads),
            $row->label,
            $row->title,
            $row->new_window,
            Audience::read($row->audience),
            $at($row->from_at),
            $at($row->until_at),
            $contents === null ? null : BranchContents::fromArray($contents),
            $row->text,
            $row->picture,
            Closed::from($row->closed),
        );
    }
}
