<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Page;
use App\Models\Site;
use Illuminate\Database\ConnectionInterface;

/** The part of the tree that visitors see, as menus. */
final readonly class VisibleTree
{
    public function __construct(private ConnectionInterface $db)
    {
    }

    /** @return list<\stdClass> entries of the bar, each with `below` */
    public function menu(Site $site): array
    {
        $rows = $this->db->select(<<<'SQL'
            select p.id, p.parent_id, p.name, p.address from pages p left join pages parent on parent.id = p.parent_id
            where p.site_id = ? and p.state = 'live' and p.listed and nlevel(p.path) <= 2
            and (p.parent_id is null or (parent.state = 'live' and parent.listed))
            order by nlevel(p.path), p.position
            SQL, [$site->id]);
        $bar = [];
        foreach ($rows as $row) {
            if ($row->parent_id === null) {
                $row->below = [];
                $bar[$row->id] = $row;
            } else {
                $bar[$row->parent_id]->below[] = $row;
            }
        }

        return array_values($bar);
    }

    public function start(Site $site): ?Page
    {
        return $site->start_page_id === null ? null : Page::query()->find($site->start_page_id);
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
        foreach ($this->db->select("select id, parent_id, name, address from pages where parent_id = any(?::bigint[]) and state = 'live' and listed order by position", [PgArray::of($ids)]) as $row) {
            $by[$row->parent_id][] = $row;
        }

        return isset($by[$ids[0]]) ? $this->flatten($by, $ids[0], 0) : [];
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
