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
            alter table files
                add column folder text not null default '',
                add column alt text not null default '',
                add column caption text not null default '',
                add column focus_x smallint,
                add column focus_y smallint,
                -- Counts what was put in its place; the address stays, what is kept of it for good is asked for with the number.
                add column number int not null default 1,
                add column binned_at timestamptz;
            create table file_versions (
                file_id bigint not null references files on delete cascade,
                number int not null,
                mime text not null,
                bytes bigint not null,
                width int,
                height int,
                path text not null,
                user_id bigint references users on delete set null,
                kept_at timestamptz not null default now(),
                primary key (file_id, number)
            );
            -- Which files stand in pages' content, published or not; noted with its links.
            create table file_uses (
                page_id bigint not null references pages on delete cascade,
                file text collate "C" not null,
                live boolean not null,
                primary key (page_id, file)
            );
            create index file_uses_file on file_uses (file);
            insert into file_uses (page_id, file, live)
                select page_id, file, bool_or(live) from (
                    select page_id, f #>> '{}' as file, false as live from page_contents, jsonb_path_query(working, '$.**.file') f
                    union all
                    select page_id, f #>> '{}', true from page_contents, jsonb_path_query(live, '$.**.file') f where live is not null
                ) u where file ~ '^[0-9A-HJKMNP-TV-Z]{26}$' group by page_id, file;
            SQL
            ,
        );
    }
};
