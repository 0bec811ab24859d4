<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What a branch entry is filled with has the name that the rules give it, in the table and in what the history keeps. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            alter table menu_entries rename column spread to contents;
            update history set menus = replace(menus::text, '"spread": ', '"contents": ')::jsonb where menus <> '[]';
            SQL);
    }
};
