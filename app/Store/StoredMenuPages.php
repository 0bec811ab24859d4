<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\File;
use App\Models\Site;
use Heronstem\Core\Menu\Hidden;
use Heronstem\Core\Menu\MenuPage;
use Heronstem\Core\Menu\MenuPages;
use Heronstem\Core\Moment;
use Heronstem\Core\Tree\PageState;
use Illuminate\Database\ConnectionInterface;

/** The pages that menus show, at a moment. A branch is read level by level, so that what nobody sees is never opened. */
final readonly class StoredMenuPages implements MenuPages
{
    private const COLUMNS = 'p.ulid, parent.ulid as parent, p.position, p.name, p.address, p.kind, p.leads_to, t.address as target, p.listed, p.state, p.summary, p.indexed, is_open(p.gate_id) as is_open, f.ulid as picture, f.name as picture_name,
        extract(epoch from p.from_at)::bigint as from_at, extract(epoch from p.until_at)::bigint as until_at';

    /** Only entries made by hand show a picture, so branches do without. */
    private const PICTURE = " left join page_contents w on w.page_id = p.id left join files f on f.ulid = coalesce(p.showing->>'picture', w.picture) and f.site_id = p.site_id";

    public function __construct(private ConnectionInterface $db, private Site $site, private Moment $at)
    {
    }

    public function pages(array $ids): array
    {
        $pages = [];
        MadeOf::pages(...$ids);
        array_map(MadeOf::card(...), $ids);
        foreach (
            $ids === []
                ? []
                : $this->db->select(
                    'select '.
                        self::COLUMNS.
                        ' from pages p left join pages parent on parent.id = p.parent_id '.
                        LeadsTo::JOIN.
                        self::PICTURE.
                        ' where p.site_id = ? and p.ulid = any(?::text[])',
                    [$this->site->id, PgArray::of($ids)],
                ) as $row
        ) {
            $from = $row->from_at === null ? null : Moment::at($row->from_at);
            $until = $row->until_at === null ? null : Moment::at($row->until_at);
            $pages[$row->ulid] = $this->page($row, ...MenuPage::visibility(PageState::from($row->state), $from, $until, $this->at));
        }

        return $pages;
    }

    public function below(?string $root, int $depth): iterable
    {
        $at = $this->at->iso();
        $below = $root === null ? 'p.parent_id is null and p.id is distinct from ?::bigint' : 'p.parent_id = (select id from pages where ulid = ?)';
        $rows = $this->db->select(
            'with recursive p as (
                select p.id, p.ulid, ?::text collate "C" as parent, p.position, p.name, p.address, p.kind, p.leads_to, p.listed, p.summary, p.indexed, is_open(p.gate_id) as is_open, 1 as level
                from pages p where p.site_id = ? and '.
                $below.
                ' and is_visible_at(p.state, p.from_at, p.until_at, ?::timestamptz)
                union all
                select p.id, p.ulid, s.ulid, p.position, p.name, p.address, p.kind, p.leads_to, p.listed, p.summary, p.indexed, is_open(p.gate_id), s.level + 1
                from p s join pages p on p.parent_id = s.id where s.level < ? and is_visible_at(p.state, p.from_at, p.until_at, ?::timestamptz)
            ) select p.*, t.address as target, null as picture, null as picture_name from p '.
                LeadsTo::JOIN.
                ' order by p.level, p.position',
            [$root, $this->site->id, $root ?? $this->site->start_page_id, $at, $depth, $at],
        );
        MadeOf::inside(...$this->levels($root, $depth, $rows));
        foreach ($rows as $row) {
            yield $this->page($row, null, null);
        }
    }

    /**
     * @param  array<\stdClass>  $rows
     * @return list<int|null> the pages whose children were read
     */
    private function levels(?string $root, int $depth, array $rows): array
    {
        $opened = array_column(array_filter($rows, static fn (\stdClass $row): bool => $row->level < $depth), 'id');
        $top = $root === null ? null : $this->db->scalar('select id from pages where ulid = ?', [$root]);

        return [$top, ...array_values($opened)];
    }

    private function page(\stdClass $row, ?Hidden $hidden, ?Moment $when): MenuPage
    {
        if ($row->picture !== null) {
            MadeOf::files($row->picture);
        }

        return new MenuPage(
            $row->ulid,
            $row->parent,
            $row->position,
            $row->name,
            LeadsTo::of($row),
            $row->listed,
            $hidden,
            $when,
            $row->summary,
            $row->picture === null ? null : File::at($row->picture, $row->picture_name),
            $row->indexed,
            $row->is_open,
        );
    }
}
