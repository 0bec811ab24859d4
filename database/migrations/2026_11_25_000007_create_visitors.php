<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- People who sign in at a public site, to see what is only for them. They have nothing to do with the editor.
            create table visitors (
                id bigint generated always as identity primary key,
                site_id bigint not null references sites on delete cascade,
                email text not null,
                name text not null,
                password text not null,
                roles jsonb not null default '[]',
                created_at timestamptz not null default now(),
                updated_at timestamptz not null default now(),
                unique (site_id, email)
            );
            alter table sites add column start_page_signed_in_id bigint references pages on delete set null, add column short_name text not null default '';
            alter table history add column start_page_signed_in jsonb;
            SQL);
    }
};
