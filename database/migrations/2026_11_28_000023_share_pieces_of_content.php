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
            -- Content that is written once and shown on many pages.
            create table shared_pieces (
                id bigint generated always as identity primary key,
                ulid text collate "C" not null unique,
                site_id bigint not null references sites on delete cascade,
                name text not null,
                document jsonb not null,
                number int not null default 1,
                changed_by bigint references users on delete set null,
                created_at timestamptz not null default now(),
                updated_at timestamptz not null default now()
            );
            create unique index shared_pieces_one_name on shared_pieces (site_id, lower(name));
            create table shared_piece_versions (
                piece_id bigint not null references shared_pieces on delete cascade,
                number int not null,
                document jsonb not null,
                user_id bigint references users on delete set null,
                saved_at timestamptz not null default now(),
                primary key (piece_id, number)
            );
            create table piece_uses (
                page_id bigint not null references pages on delete cascade,
                piece text collate "C" not null,
                live boolean not null,
                primary key (page_id, piece)
            );
            create index piece_uses_piece on piece_uses (piece);
            SQL
            ,
        );
    }
};
