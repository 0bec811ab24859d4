<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Pages as they will be seen on a date: a preview says the moment for its own transaction, everybody else has this one. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            create function looked_at() returns timestamptz language sql stable as $$
                select coalesce(nullif(current_setting('heronstem.looked_at', true), '')::timestamptz, now())
            $$;
            create or replace function is_visible(state text, from_at timestamptz, until_at timestamptz) returns boolean language sql stable as $$
                select is_visible_at(state, from_at, until_at, looked_at())
            $$;
            SQL
            ,
        );
    }
};
