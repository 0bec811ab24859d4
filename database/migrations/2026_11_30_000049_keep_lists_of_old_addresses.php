<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Old addresses that are matched to pages over days, by several people: what was given, what is proposed, and what somebody chose. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            create table match_lists (
                id bigint generated always as identity primary key,
                ulid text collate "C" not null unique,
                site_id bigint not null references sites on delete cascade,
                user_id bigint references users on delete set null,
                name text not null,
                threshold int not null default 90,
                glossary text not null default '',
                revision bigint not null default 0,
                matched_revision bigint not null default -1,
                matched_at timestamptz,
                created_at timestamptz not null default now(),
                updated_at timestamptz not null default now(),
                unique (site_id, name)
            );
            comment on column match_lists.revision is 'counts what changes in its rows';
            comment on column match_lists.matched_revision is 'what was chosen up to here taught what is proposed';
            create table match_rows (
                list_id bigint not null references match_lists on delete cascade,
                n int not null,
                old text collate "C" not null,
                title text not null,
                heading text not null,
                also jsonb not null default '[]',
                requests int not null default 0,
                page text collate "C",
                confidence real not null default 0,
                none real not null default 0,
                why text not null default '',
                next jsonb not null default '[]',
                is_taught boolean not null default false,
                choice text check (choice in ('page', 'gone', 'left')),
                chosen text collate "C",
                chosen_by bigint references users on delete set null,
                chosen_at timestamptz,
                revision bigint not null default 0,
                primary key (list_id, n)
            );
            comment on column match_rows.page is 'the likeliest; next are the identities of those after it';
            comment on column match_rows.none is 'how sure it is that there is no page any more';
            comment on column match_rows.choice is 'page: it became chosen; gone: nothing is there; left: not accepted, however sure';
            comment on column match_rows.revision is 'of the list, when the row last changed';
            create unique index match_rows_old on match_rows (list_id, md5(old));
            create index match_rows_changed on match_rows (list_id, revision);
            SQL);
    }

    public function down(): void
    {
        DB::unprepared('drop table if exists match_rows; drop table if exists match_lists');
    }
};
