<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What a large change did to pages and addresses is kept in parts, compressed, so that nobody has to hold all of it at once. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            create table history_parts (
                entry_id bigint not null references history (id) on delete cascade,
                n int not null,
                pages jsonb not null default '[]',
                claims jsonb not null default '[]',
                primary key (entry_id, n)
            );
            alter table history_parts alter pages set compression lz4, alter claims set compression lz4;
            alter table history alter pages set compression lz4, alter claims set compression lz4;

            -- Every address that an entry changed, wherever that is kept.
            create view history_claims as
                select h.site_id, h.id as entry_id, h.created_at, c.claim from history h, jsonb_array_elements(h.claims) as c(claim)
                union all
                select h.site_id, h.id, h.created_at, c.claim from history_parts q join history h on h.id = q.entry_id, jsonb_array_elements(q.claims) as c(claim);
            SQL,
        );
    }

    public function down(): void
    {
        DB::unprepared('drop view history_claims; drop table history_parts;');
    }
};
