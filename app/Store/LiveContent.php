<?php

declare(strict_types=1);

namespace App\Store;

use Illuminate\Database\ConnectionInterface;

/** Puts versions of pages' content before visitors, whichever they are, and notes the links in them. */
final readonly class LiveContent
{
    public function __construct(private ConnectionInterface $db, private NotedLinks $links)
    {
    }

    /**
     * Makes versions of pages' content those that were saved last. Version 0 is a page for which nothing was saved yet: what was saved
     * since stays among its versions.
     *
     * @param  array<string, int>  $versions  by page
     */
    public function save(array $versions): void
    {
        $blank = array_keys($versions, 0, true);
        if ($blank !== []) {
            $gone = $this->db->select(
                'delete from page_contents w using pages p where p.id = w.page_id and p.ulid = any(?::text[]) returning w.page_id',
                [PgArray::of($blank)],
            );
            $this->links->note(array_column($gone, 'page_id'));
        }
        $saved = array_diff($versions, [0]);
        if ($saved !== []) {
            $this->db->insert(
                'insert into page_contents (page_id, working, working_version, saved_by)
                    select p.id, r.document, r.number, r.user_id
                    from unnest(?::text[], ?::int[]) as n(ulid, version) join pages p on p.ulid = n.ulid join content_versions r on r.page_id = p.id and r.number = n.version
                    on conflict (page_id) do update
                        set working_version = excluded.working_version, working = excluded.working, saved_by = excluded.saved_by, saved_at = now()',
                [PgArray::of(array_keys($saved)), PgArray::numbers($saved)],
            );
        }
    }

    /** @param  array<string, int|null>  $versions  by page; null for none */
    public function show(array $versions): void
    {
        if ($versions === []) {
            return;
        }
        $shown = $this->db->select(
            <<<'SQL'
            update page_contents w set live_version = n.version,
                live = case when n.version is null then null when n.version = w.working_version then w.working
                    else (select r.document from content_versions r where r.page_id = w.page_id and r.number = n.version) end
            from unnest(?::text[], ?::int[]) as n(ulid, version) join pages p on p.ulid = n.ulid
            where w.page_id = p.id and (n.version is null or n.version = w.working_version or exists (select 1 from content_versions r
                where r.page_id = w.page_id and r.number = n.version))
            returning w.page_id
            SQL
            ,
            [PgArray::of(array_keys($versions)), PgArray::numbers($versions)],
        );
        $this->links->note(array_column($shown, 'page_id'));
    }
}
