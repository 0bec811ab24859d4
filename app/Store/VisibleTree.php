<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Page;
use App\Models\Site;
use Heronstem\Core\Structure\Target;
use Heronstem\Core\Structure\TargetKind;
use Illuminate\Database\ConnectionInterface;

/** The part of the tree that visitors see around a page. */
final readonly class VisibleTree
{
    public function __construct(private ConnectionInterface $db)
    {
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
        $rows = $this->db->select("select p.id, p.ulid, p.parent_id, p.name, p.address, p.kind, p.leads_to, t.address as target from pages p left join pages t on p.leads_to = 'page ' || t.ulid
            where p.parent_id = any(?::bigint[]) and p.listed and is_visible(p.state, p.from_at, p.until_at) order by p.position", [PgArray::of($ids)]);
        foreach ($rows as $row) {
            $row->address = self::leadsTo($row);
            $by[$row->parent_id][] = $row;
        }

        return isset($by[$ids[0]]) ? $this->flatten($by, $ids[0], 0) : [];
    }

    /** Where an entry leads: a pointer straight to where it points, so that nobody takes a detour. */
    private static function leadsTo(\stdClass $row): string
    {
        $target = $row->kind === 'pointer' ? Target::stored($row->leads_to) : null;

        return match ($target?->kind) {
            TargetKind::Url, TargetKind::Address => $target->value,
            TargetKind::Page => $row->target ?? $row->address,
            default => $row->address,
        };
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
