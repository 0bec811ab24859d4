<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            create table history (
                id bigint generated always as identity primary key,
                ulid text collate "C" not null unique,
                site_id bigint not null references sites on delete cascade,
                user_id bigint references users on delete set null,
                sentence text not null,
                batch jsonb not null,
                counts jsonb not null,
                pages jsonb not null,
                claims jsonb not null,
                note text not null default '',
                takes_back_id bigint references history on delete set null,
                taken_back_by_id bigint references history on delete set null,
                created_at timestamptz not null default now()
            );
            create index history_of_site on history (site_id, id desc);

            -- One row for each address that the site answers or ever answered. That no two hold one address
            -- is the database's promise, not a check somewhere.
            create table ledger (
                id bigint generated always as identity primary key,
                site_id bigint not null references sites on delete cascade,
                key text collate "C" not null,
                address text not null,
                kind text not null check (kind in ('page', 'redirect')),
                page_id bigint not null references pages on delete cascade,
                ever_live boolean not null default false,
                since timestamptz not null default now(),
                by_entry_id bigint references history on delete set null,
                -- What answering needs stands in the index itself, so that a visit reads no row of the ledger.
                unique (site_id, key) include (address, kind, page_id)
            );
            create index ledger_of_page on ledger (page_id);
            create unique index ledger_one_own_address on ledger (page_id) where kind = 'page';

            -- Pages whose making was taken back, kept whole in case that is taken back too.
            create table unmade_pages (
                ulid text collate "C" primary key,
                site_id bigint not null references sites on delete cascade,
                record jsonb not null,
                words jsonb,
                created_at timestamptz not null default now()
            );
            SQL);
    }
};
