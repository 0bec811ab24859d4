<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- Whether search engines may list the page (robots: index or noindex).
            alter table pages add column indexed boolean not null default true;
            -- The first picture that visitors see in the words: what a card of the page shows.
            alter table page_words add column picture text collate "C" generated always as (jsonb_path_query_first(live, 'strict $.** ? (@.type == "picture").attrs.file') #>> '{}') stored;
            SQL);
    }
};
