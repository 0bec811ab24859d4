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
            alter table pages
                -- Words by which it is found and listed, as Tags reads them; null for none.
                add column tags jsonb,
                -- Its small picture and how often browsers load it anew, as Showing reads them; null for neither.
                add column showing jsonb;
            create index pages_tags on pages using gin (tags jsonb_path_ops) where tags is not null;
            SQL
            ,
        );
    }
};
