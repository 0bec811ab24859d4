<?php

declare(strict_types=1);

use App\Models\Site;
use App\Store\StoredMenus;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- Whether visitors get a page, at any moment; is_visible asks for this one.
            create function is_visible_at(state text, from_at timestamptz, until_at timestamptz, at timestamptz) returns boolean language sql immutable as $$
                select case when state = 'bin' or until_at <= at then false when state = 'live' then true else coalesce(from_at <= at, false) end
            $$;
            create or replace function is_visible(state text, from_at timestamptz, until_at timestamptz) returns boolean language sql stable as $$
                select is_visible_at(state, from_at, until_at, now())
            $$;
            create index pages_pointers on pages (site_id, leads_to) where kind = 'pointer';
            create table menus (
                id bigint generated always as identity primary key,
                ulid text collate "C" not null unique,
                site_id bigint not null references sites on delete cascade,
                name text not null,
                kind text not null check (kind in ('menu', 'picks')),
                place text,
                unique (site_id, place)
            );
            create unique index menus_one_name on menus (site_id, lower(name));
            create table menu_entries (
                id bigint generated always as identity primary key,
                ulid text collate "C" not null unique,
                menu_id bigint not null references menus on delete cascade,
                parent text collate "C",
                position bigint not null,
                kind text not null check (kind in ('page', 'address', 'url', 'file', 'heading', 'branch', 'separator')),
                page_id bigint references pages on delete cascade,
                target text,
                label text not null default '',
                title text not null default '',
                new_window boolean not null default false,
                audience text not null default 'everyone',
                from_at timestamptz,
                until_at timestamptz,
                spread jsonb,
                text text not null default '',
                picture text collate "C",
                unique nulls not distinct (menu_id, parent, position),
                check ((kind = 'page') <= (page_id is not null))
            );
            create index menu_entries_to on menu_entries (page_id);
            alter table history add column menus jsonb not null default '[]';
            SQL);
        Site::query()->withoutGlobalScopes()->each(static fn (Site $site) => app(StoredMenus::class, ['site' => $site])->begin());
    }
};
