<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- Redirects that were removed, whole, so that each can be brought back.
            create table removed_redirects (
                ulid text collate "C" primary key,
                site_id bigint not null references sites on delete cascade,
                rule jsonb not null,
                source text not null,
                key text collate "C" not null,
                removed_at timestamptz not null default now(),
                by_entry_id bigint references history on delete set null
            );
            create index removed_redirects_site on removed_redirects (site_id, key);
            SQL);
    }
};
