<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- How often a redirect was used: by day and by the host that visitors came from. Nothing tells who they were.
            create table redirect_hits (
                site_id bigint not null references sites on delete cascade,
                rule text collate "C" not null,
                day date not null,
                referrer text not null default '',
                bots boolean not null default false,
                hits bigint not null,
                primary key (site_id, rule, day, referrer, bots)
            );
            -- Addresses that were asked for in vain.
            create table missed_addresses (
                site_id bigint not null references sites on delete cascade,
                key text collate "C" not null,
                address text not null,
                ignored boolean not null default false,
                noise boolean not null default false,
                first_at timestamptz not null,
                last_at timestamptz not null,
                primary key (site_id, key)
            );
            create table missed_hits (
                site_id bigint not null,
                key text collate "C" not null,
                day date not null,
                referrer text not null default '',
                bots boolean not null default false,
                hits bigint not null,
                primary key (site_id, key, day, referrer, bots),
                foreign key (site_id, key) references missed_addresses on delete cascade
            );
            -- Batches of the hit log that are counted: a batch is counted once, whatever happens between counting and deleting it.
            create table counted_batches (name text primary key, counted_at timestamptz not null default now());
            SQL);
    }
};
