<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Links by mail with which somebody sets a password: whoever was invited, and whoever forgot theirs. Only their hashes are kept. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            alter table users add column joined_at timestamptz;
            update users set joined_at = now();
            create table account_links (
                id bigint generated always as identity primary key,
                user_id bigint not null references users on delete cascade,
                purpose text not null check (purpose in ('invitation', 'password')),
                token_hash text collate "C" not null unique,
                expires_at timestamptz not null,
                created_at timestamptz not null default now()
            );
            create index account_links_by_user on account_links (user_id);
            SQL
            ,
        );
    }
};
