<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Page;
use App\Models\Site;
use Illuminate\Database\ConnectionInterface;

/** The part of the tree that visitors see around a page. */
final readonly class VisibleTree
{
    /** Levels, and pages, that the map of a site shows. */
    private const MAX_DEPTH = 6;

    private const MAX_PAGES = 3000;

    public function __construct(private ConnectionInterface $db)
    {
    }

    public function start(Site $site): ?Page
    {
        $start = $site->start_page_id === null ? null : Page::query()->find($site->start_page_id);
        if ($start !== null) {
            MadeOf::pages($start->ulid);
        }

        return $start;
    }

    /**
     * The side menu inside a section: its pages, opened along the way to the current one.
     *
     * @param  list<Page>  $ancestors
     * @return list<\stdClass> entries in order, each with its `level` from 0
     */
    public function side(Page $page, array $ancestors): array
    {
        $line = [...$ancestors, $page];
        $ids = array_column($line, 'id');
        $by = [];
        MadeOf::inside(...$ids);
        $rows = $this->db->select(
            'select p.id, p.ulid, p.parent_id, p.name, p.address, p.kind, p.leads_to, t.address as target from pages p '.
                LeadsTo::JOIN.
                '
            where p.parent_id = any(?::bigint[]) and p.listed and is_visible(p.state, p.from_at, p.until_at) and (p.gate_id is null or p.gate_id in (select open_gate())) order by p.position',
            [PgArray::of($ids)],
        );
        foreach ($rows as $row) {
            $row->address = LeadsTo::of($row);
            $by[$row->parent_id][] = $row;
        }

        return isset($by[$ids[0]]) ? $this->flatten($by, $ids[0], 0) : [];
    }

    /**
     * The tree of what is live and listed, for a page that shows visitors the whole site.
     *
     * @return list<\stdClass> in order, each with its `level` from 0; the deepest levels are dropped where there are too many
     */
    public function whole(Site $site): array
    {
        MadeOf::anyPage();
        $rows = $this->db->select(
            <<<'SQL'
            with recursive shown as (
                select p.id, 0 as level, array[p.position] as place from pages p
                    where p.site_id = ? and p.parent_id is null and p.listed and is_visible(p.state, p.from_at, p.until_at) and (p.gate_id is null or p.gate_id in (select open_gate()))
                union all
                select p.id, s.level + 1, s.place || p.position from shown s join pages p on p.parent_id = s.id
                    where p.listed and is_visible(p.state, p.from_at, p.until_at) and (p.gate_id is null or p.gate_id in (select open_gate())) and s.level < ?
            ), kept as (select * from shown order by level, place limit ?)
            select p.id, p.ulid, p.name, p.address, p.kind, p.leads_to, t.address as target, k.level
            from kept k join pages p on p.id = k.id
            SQL
            .
                ' '.
                LeadsTo::JOIN.
                ' order by k.place',
            [$site->id, self::MAX_DEPTH, self::MAX_PAGES],
        );
        foreach ($rows as $row) {
            $row->address = LeadsTo::of($row);
        }

        return array_values($rows);
    }

    /**
     * @param  array<int, list<\stdClass>>  $by
     * @return list<\stdClass>
     */
    private function flatten(array $by, int $parent, int $level): array
    {
        $entries = [];
        foreach ($by[$parent] ?? [] as $entry) {
            $entry->level = $level;
            array_push($entries, $entry, ...$this->flatten($by, $entry->id, $level + 1));
        }

        return $entries;
    }
}
