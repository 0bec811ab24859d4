<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- Who is signed in at a public site: a hash of what their cookie holds, so that signing out ends it everywhere.
            create table visitor_sign_ins (
                token text collate "C" primary key,
                visitor_id bigint not null references visitors on delete cascade,
                mark text not null,
                until timestamptz not null
            );
            create index visitor_sign_ins_of on visitor_sign_ins (visitor_id);
            SQL);
    }
};
