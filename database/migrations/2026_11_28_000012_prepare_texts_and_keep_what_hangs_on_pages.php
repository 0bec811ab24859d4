<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            alter table pages add column prepared jsonb;
            -- What hangs on a page that is unmade comes back with it: what people had typed, and whose branch it was.
            alter table unmade_pages add column drafts jsonb not null default '[]', add column writers jsonb not null default '[]';
            -- Every version that is worked on or live can be opened, and gone back to.
            insert into word_revisions (page_id, number, document, user_id, created_at)
                select w.page_id, w.working_version, w.working, w.saved_by, w.saved_at from page_words w on conflict (page_id, number) do nothing;
            insert into word_revisions (page_id, number, document, user_id, created_at)
                select w.page_id, w.live_version, w.live, w.saved_by, w.saved_at from page_words w where w.live is not null and w.live_version is not null on conflict (page_id, number) do nothing;
            -- Entries from before texts were part of changes: pages they removed come back with the texts that were kept.
            update history h set pages = (
                select jsonb_agg(case when e->'after' = 'null' and u.ulid is not null then jsonb_set(e, '{before}', (e->'before') || jsonb_build_object(
                    'heading', u.record->'heading', 'summary', u.record->'summary', 'searchTitle', u.record->'search_title', 'searchDescription', u.record->'search_description',
                    'layout', u.record->'layout', 'indexed', coalesce(u.record->'indexed', 'true'), 'words', u.words->'live_version')) else e end order by t.n)
                from jsonb_array_elements(h.pages) with ordinality as t(e, n) left join unmade_pages u on u.ulid = e->>'page'
            ) where h.pages @> '[{"after": null}]';
            SQL);
    }
};
