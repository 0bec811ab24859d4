<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\HistoryEntry;
use App\Models\Site;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Ripple\PageEffects;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Workspace\PagesAfter;
use Illuminate\Database\ConnectionInterface;

/** Writes pages that a batch makes: blank ones, copies with what they are copies of, and those that were gone and are back. */
final readonly class NewPages
{
    /** Copies whose content is read and written at a time. */
    private const PIECE = 500;

    public function __construct(private ConnectionInterface $db, private NotedLinks $links, private Ticks $ticks)
    {
    }

    /** @param  list<string>  $pages */
    public function make(array $pages, PageEffects $effects, Site $site, HistoryEntry $entry): void
    {
        if ($pages === []) {
            return;
        }
        $wanted = [];
        foreach (array_chunk(self::parentsFirst($pages, $effects->outcome), PageWriter::PIECE) as $piece) {
            $made = array_values(array_filter(array_map($effects->outcome->find(...), $piece)));
            $this->insert($made, $site, $entry);
            array_push($wanted, ...array_values(array_filter(array_column($made, 'wantedAs'))));
            $this->ticks->written(count($piece));
        }
        $this->contentBack($pages, $entry);
        if ($effects->copies !== []) {
            $this->copyContent($effects->copies, $entry);
        }
        $this->links->noteWanting($site, $wanted);
    }

    /**
     * @param  list<string>  $pages
     * @return list<string>
     */
    private static function parentsFirst(array $pages, PagesAfter $outcome): array
    {
        $parents = $levels = [];
        foreach ($pages as $id) {
            $parents[$id] = $outcome->find($id)?->parent;
        }
        foreach ($pages as $id) {
            $level = 0;
            for ($above = $parents[$id]; $above !== null && array_key_exists($above, $parents); $above = $parents[$above]) {
                $level++;
            }
            $levels[$id] = $level;
        }
        asort($levels);

        return array_map(strval(...), array_keys($levels));
    }

    /** @param  list<Page>  $pages  parents before their children */
    private function insert(array $pages, Site $site, HistoryEntry $entry): void
    {
        $numbers = array_column(
            $this->db->select("select nextval(pg_get_serial_sequence('pages', 'id')) as id from generate_series(1, ?)", [count($pages)]),
            'id',
        );
        $ids = array_combine(array_column($pages, 'id'), $numbers);
        $rows = [];
        foreach ($pages as $page) {
            $rows[] = [...$page->toFields(), 'ulid' => $page->id, 'id' => $ids[$page->id], 'address' => $page->address->path];
        }
        [$typed, $names, $values] = [PageColumns::typed(), PageColumns::names(), PageColumns::values()];
        $this->db->insert(
            <<<SQL
            with recursive n as materialized (
                select * from jsonb_to_recordset(?::jsonb) as n(id bigint, ulid text, parent text, bin text, address text, $typed)
            ), placed as (
                select n.id, parent.id as parent_id, coalesce(parent.path, ''::ltree) || n.id::text as path, n.ulid
                from n left join pages parent on parent.ulid = n.parent and parent.site_id = ? where n.parent is null or parent.id is not null
                union all
                select n.id, placed.id, placed.path || n.id::text, n.ulid from placed join n on n.parent = placed.ulid
            )
            insert into pages (id, site_id, parent_id, path, ulid, address, live_since, changed_by, bin_id, binned_at, reach_due, $names)
            select n.id, ?, placed.parent_id, placed.path, n.ulid, n.address, case when n.state = 'live' then now() end, ?, coalesce(bin.id, mate.id),
                case when n.state = 'bin' then now() end, true, $values
            from n join placed on placed.id = n.id
            left join pages bin on bin.ulid = n.bin left join n mate on mate.ulid = n.bin
            SQL
            ,
            [json_encode($rows, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE), $site->id, $site->id, $entry->user_id],
        );
    }

    /** @param  list<string>  $pages of which some were gone, and kept whole for this */
    private function contentBack(array $pages, HistoryEntry $entry): void
    {
        $of = PgArray::of($pages);
        $this->db->insert(
            <<<'SQL'
            insert into page_contents (page_id, working, working_version, live, live_version, saved_by)
            select p.id, u.content->'working', (u.content->>'working_version')::int, nullif(u.content->'live', 'null'), (u.content->>'live_version')::int, ?
            from unmade_pages u join pages p on p.ulid = u.ulid where u.ulid = any(?::text[]) and u.content is not null
            SQL
            ,
            [$entry->user_id, $of],
        );
        $this->db->insert(
            <<<'SQL'
            insert into content_versions (page_id, number, document, user_id, created_at, note, minor)
            select p.id, r.number, r.document, r.user_id, r.created_at, r.note, r.minor
            from unmade_pages u join pages p on p.ulid = u.ulid cross
                join lateral jsonb_to_recordset(u.versions) as r(number int, document jsonb, user_id bigint, created_at timestamptz, note text, minor boolean)
            where u.ulid = any(?::text[])
            SQL
            ,
            [$of],
        );
        $this->db->insert(
            <<<'SQL'
            insert into drafts (page_id, user_id, document, texts, based_on, created_at, updated_at)
            select p.id, d.user_id, d.document, d.texts, d.based_on, d.updated_at, d.updated_at
            from unmade_pages u join pages p on p.ulid = u.ulid cross
                join lateral jsonb_to_recordset(u.drafts) as d(user_id bigint, document jsonb, texts jsonb, based_on int, updated_at timestamptz)
                join users on users.id = d.user_id
            where u.ulid = any(?::text[])
            SQL
            ,
            [$of],
        );
        // Not for a page that only bears the same name: what was said of a branch is said again where it comes back by undoing.
        if ($entry->undoes_id !== null) {
            $this->db->insert(
                <<<'SQL'
                insert into right_lines (site_id, role_id, user_id, page_id, "right", says)
                select p.site_id, l.role_id, l.user_id, p.id, l."right", l.says
                from unmade_pages u join pages p on p.ulid = u.ulid cross
                    join lateral jsonb_to_recordset(u.lines) as l(role_id bigint, user_id bigint, "right" text, says text)
                where u.ulid = any(?::text[]) and (l.role_id is null or l.role_id in (select id from roles)) and (l.user_id is null or l.user_id in (select id from users))
                SQL
                ,
                [$of],
            );
        }
        $this->noteLinks($this->db->delete('delete from unmade_pages where ulid = any(?::text[])', [$of]) > 0 ? $pages : []);
    }

    /** @param  array<string, string>  $copies */
    private function copyContent(array $copies, HistoryEntry $entry): void
    {
        $this->db->insert(
            <<<'SQL'
            with copied as (select c.id as to_id, s.id as from_id from unnest(?::text[], ?::text[]) as n(copy, source) join pages c on c.ulid = n.copy
                join pages s on s.ulid = n.source),
            contents as (insert into page_contents (page_id, working, working_version, saved_by) select copied.to_id, w.working, 1, ? from copied
                join page_contents w on w.page_id = copied.from_id returning page_id, working)
            insert into content_versions (page_id, number, document, user_id) select page_id, 1, working, ? from contents
            SQL
            ,
            [PgArray::of(array_keys($copies)), PgArray::of($copies), $entry->user_id, $entry->user_id],
        );
        // From starting points, whose pages are kept apart.
        $this->db->insert(
            <<<'SQL'
            with contents as (insert into page_contents (page_id, working, working_version, saved_by)
                select c.id, k.content, 1, ? from unnest(?::text[], ?::text[]) as n(copy, source)
                join pages c on c.ulid = n.copy join kept_pages k on k.ulid = n.source where k.content is not null
                returning page_id, working)
            insert into content_versions (page_id, number, document, user_id) select page_id, 1, working, ? from contents
            SQL
            ,
            [$entry->user_id, PgArray::of(array_keys($copies)), PgArray::of($copies), $entry->user_id],
        );
        $this->turnInnerLinks($copies);
        $this->copyRawLinks($copies);
    }

    /** @param  array<string, string>  $copies */
    private function copyRawLinks(array $copies): void
    {
        $this->db->insert(
            <<<'SQL'
            insert into raw_links (site_id, from_page_id, href, key, address, live)
            select r.site_id, c.id, r.href, r.key, r.address, false
            from unnest(?::text[], ?::text[]) as n(copy, source) join pages s on s.ulid = n.source join raw_links r on r.from_page_id = s.id
            join pages c on c.ulid = n.copy join page_contents w on w.page_id = c.id
            where strpos(w.working::text, to_json(r.href)::text) > 0
            SQL
            ,
            [PgArray::of(array_keys($copies)), PgArray::of($copies)],
        );
    }

    /** @param  list<string>  $pages */
    private function noteLinks(array $pages): void
    {
        $this->links->note(
            array_column(
                $this->db->select('select p.id from pages p join page_contents w on w.page_id = p.id where p.ulid = any(?::text[])', [
                    PgArray::of($pages),
                ]),
                'id',
            ),
        );
    }

    /**
     * Links inside the copied branch point into the copy.
     *
     * @param  array<string, string>  $copies
     */
    private function turnInnerLinks(array $copies): void
    {
        $sources = array_flip($copies);
        $rows = $this->db->cursor(
            <<<'SQL'
            select w.page_id, w.working from pages p join page_contents w on w.page_id = p.id
            where p.ulid = any(?::text[]) and w.working::text like '%"page":%' and jsonb_path_query_array(w.working, '$.**.page') ?? any(?::text[])
            SQL
            ,
            [PgArray::of(array_keys($copies)), PgArray::of($copies)],
        );
        $turned = [];
        foreach ($rows as $row) {
            $turned[] = [
                'page' => $row->page_id,
                'working' => Document::read(json_decode($row->working, true, flags: JSON_THROW_ON_ERROR))->withPagesTurned($sources)->toArray(),
            ];
        }
        foreach (array_chunk($turned, self::PIECE) as $piece) {
            $this->db->update(
                <<<'SQL'
                with n as materialized (select * from jsonb_to_recordset(?::jsonb) as n(page bigint, working jsonb)),
                contents as (update page_contents w set working = n.working from n where w.page_id = n.page)
                update content_versions r set document = n.working from n where r.page_id = n.page and r.number = 1
                SQL
                ,
                [json_encode($piece, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE)],
            );
        }
    }
}
