<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            -- Pages and branches that are kept to make new pages from.
            create table starting_points (
                id bigint generated always as identity primary key,
                ulid text collate "C" not null unique,
                site_id bigint not null references sites on delete cascade,
                name text not null,
                description text not null default '',
                changed_by bigint references users on delete set null,
                created_at timestamptz,
                updated_at timestamptz,
                unique (site_id, name)
            );
            -- Their pages: what Page::toFields() gives, with parents under the identities that they have here.
            create table kept_pages (
                id bigint generated always as identity primary key,
                ulid text collate "C" not null unique,
                point_id bigint not null references starting_points on delete cascade,
                fields jsonb not null,
                content jsonb
            );
            create index kept_pages_point on kept_pages (point_id);
            SQL
            ,
        );
    }
};
