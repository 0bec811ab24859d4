<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Illuminate\Database\ConnectionInterface;

/** Removes pages, and keeps each whole for the case that its removal is undone. */
final readonly class GonePages
{
    /** Pages removed at once from which on it pays to make plans anew. */
    private const MANY = 100;

    public function __construct(private ConnectionInterface $db)
    {
    }

    /** @param  list<string>  $pages */
    public function remove(array $pages, Site $site): void
    {
        if ($pages === []) {
            return;
        }
        $of = PgArray::of($pages);
        $this->db->insert(
            <<<'SQL'
            insert into unmade_pages (ulid, site_id, record, content, versions, drafts, lines)
            select p.ulid, p.site_id, to_jsonb(p), (select to_jsonb(w) from page_contents w where w.page_id = p.id),
                coalesce((select jsonb_agg(jsonb_build_object('number', r.number, 'document', r.document, 'user_id', r.user_id, 'created_at', r.created_at, 'note', r.note, 'minor', r.minor) order by r.number) from content_versions r where r.page_id = p.id), '[]'),
                coalesce((select jsonb_agg(jsonb_build_object('user_id', d.user_id, 'document', d.document, 'texts', d.texts, 'based_on', d.based_on, 'updated_at', d.updated_at)) from drafts d where d.page_id = p.id), '[]'),
                coalesce((select jsonb_agg(jsonb_build_object('role_id', l.role_id, 'user_id', l.user_id, 'right', l."right", 'says', l.says)) from right_lines l where l.page_id = p.id), '[]')
            from pages p where p.site_id = ? and p.ulid = any(?::text[])
            on conflict (ulid) do update set record = excluded.record, content = excluded.content, versions = excluded.versions, drafts = excluded.drafts, lines = excluded.lines
            SQL
            ,
            [$site->id, $of],
        );
        if (count($pages) > self::MANY) {
            // What refers to each of them is looked for by plans that a connection keeps: made when there was little, they go through all of it.
            $this->db->statement('discard plans');
        }
        $this->db->delete('delete from pages where site_id = ? and ulid = any(?::text[])', [$site->id, $of]);
    }
}
