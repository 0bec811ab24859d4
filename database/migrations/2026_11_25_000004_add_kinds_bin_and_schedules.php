<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            alter table pages drop constraint pages_state_check;
            alter table pages
                add constraint pages_state_check check (state in ('draft', 'review', 'live', 'offline', 'bin')),
                add column kind text not null default 'page' check (kind in ('page', 'section', 'pointer', 'download')),
                add column leads_to text,
                add column left_out boolean not null default false,
                add column kept boolean not null default false,
                add column bin_id bigint references pages,
                add column was text check (was in ('draft', 'review', 'live', 'offline')),
                add column binned_at timestamptz,
                add column from_at timestamptz,
                add column until_at timestamptz,
                add column review_note text not null default '',
                add constraint pages_bin check ((state = 'bin') = (bin_id is not null) and (state = 'bin') = (was is not null));

            -- Siblings stand in order; what waits in the bin remembers its position and holds none.
            alter table pages drop constraint pages_siblings_in_order;
            alter table pages add constraint pages_siblings_in_order
                exclude using btree (site_id with =, (coalesce(parent_id, 0)) with =, position with =) where (state <> 'bin') deferrable initially deferred;
            create index pages_bin on pages (bin_id) where bin_id is not null;
            create index pages_due on pages (site_id) where from_at is not null or until_at is not null;

            -- Whether visitors get a page at this moment, also in the minute before the schedule is carried out.
            create function is_visible(state text, from_at timestamptz, until_at timestamptz) returns boolean language sql stable as $$
                select case when state = 'bin' or until_at <= now() then false when state = 'live' then true else coalesce(from_at <= now(), false) end
            $$;

            alter table ledger drop constraint ledger_kind_check;
            alter table ledger alter column page_id drop not null;
            alter table ledger
                add constraint ledger_kind_check check (kind in ('page', 'also', 'redirect', 'gone', 'bin')),
                add constraint ledger_holder check ((page_id is null) = (kind in ('gone', 'bin'))),
                add column held_for_id bigint references pages on delete set null;
            create index ledger_held_for on ledger (held_for_id) where held_for_id is not null;

            alter table history
                add column start_page jsonb,
                add column ripple jsonb,
                add column touched text[] not null default '{}',
                add column kinds text[] not null default '{}',
                add column thinned_at timestamptz;
            update history set
                touched = (select coalesce(array_agg(p->>'page'), '{}') from jsonb_array_elements(pages) p),
                kinds = (select coalesce(array_agg(distinct c->>'kind'), '{}') from jsonb_array_elements(batch) c);
            create index history_touched on history using gin (touched);

            drop type unplaced_page;
            alter table unmade_pages add column revisions jsonb not null default '[]';
            alter table word_revisions add column note text not null default '', add column minor boolean not null default false;
            alter table memberships drop constraint memberships_branch_id_fkey, add constraint memberships_branch_id_fkey foreign key (branch_id) references pages;
            SQL);
    }
};
