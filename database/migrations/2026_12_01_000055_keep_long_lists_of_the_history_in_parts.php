<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Lists of what a large change did that its entry tells of in no other way: beyond their first rows in parts, so that nobody has to hold all of them at once. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            create table history_lists (
                entry_id bigint not null references history (id) on delete cascade,
                list text not null,
                n int not null,
                rows jsonb not null,
                primary key (entry_id, list, n)
            );
            alter table history_lists alter rows set compression lz4;
            SQL,
        );
    }

    public function down(): void
    {
        DB::unprepared('drop table history_lists');
    }
};
