<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Large changes are made in the background: who asked for what, how far it is, and what came of it. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            create table changes_under_way (
                id bigint generated always as identity primary key,
                ulid text not null unique,
                site_id bigint not null references sites (id) on delete cascade,
                user_id bigint references users (id) on delete set null,
                title text not null,
                asked jsonb not null,
                digest text,
                note text not null default '',
                confirmed boolean not null,
                pages int not null,
                state text not null default 'waiting' check (state in ('waiting', 'planning', 'writing', 'done', 'refused', 'stopped', 'failed')),
                done int not null default 0,
                total int not null default 0,
                problem text,
                look_again boolean not null default false,
                entry_id bigint references history (id) on delete set null,
                stop_asked boolean not null default false,
                created_at timestamptz not null default now(),
                beat_at timestamptz not null default now(),
                ended_at timestamptz
            );
            create index on changes_under_way (site_id, ended_at);
            SQL,
        );
    }

    public function down(): void
    {
        DB::unprepared('drop table changes_under_way;');
    }
};
