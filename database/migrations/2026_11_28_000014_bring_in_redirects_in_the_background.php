<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            create table redirect_imports (
                id bigint generated always as identity primary key,
                ulid text collate "C" not null unique,
                site_id bigint not null references sites on delete cascade,
                user_id bigint references users on delete set null,
                state text not null default 'waiting' check (state in ('waiting', 'running', 'done', 'stopped', 'failed')),
                total int not null,
                done int not null default 0,
                entries text[] not null default '{}',
                path text not null,
                note text not null default '',
                problem text,
                created_at timestamptz not null default now(),
                updated_at timestamptz not null default now()
            );
            -- Found by what is read of them first when the list of missed addresses is pruned.
            create index missed_addresses_last on missed_addresses (site_id, last_at);
            SQL);
    }
};
