<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- What somebody gave to be brought in: kept as it came and as it was read, until it is applied or discarded.
            create table site_imports (
                id bigint generated always as identity primary key,
                ulid text collate "C" not null unique,
                site_id bigint not null references sites on delete cascade,
                user_id bigint references users on delete set null,
                name text not null,
                source text not null,
                state text not null default 'reading' check (state in ('reading', 'ready', 'failed', 'applying', 'applied', 'stopped')),
                said jsonb not null default '{}',
                understood jsonb not null default '{}',
                done int not null default 0,
                total int not null default 0,
                entry text collate "C",
                problem text,
                created_at timestamptz not null default now(),
                updated_at timestamptz not null default now()
            );
            create index site_imports_of_site on site_imports (site_id, id);
            SQL);
    }
};
