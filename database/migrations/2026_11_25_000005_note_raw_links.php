<?php

declare(strict_types=1);

use App\Store\NotedLinks;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- Links in words that are written as addresses of the site, so that they do not follow when a page moves.
            create table raw_links (
                site_id bigint not null references sites on delete cascade,
                from_page_id bigint not null references pages on delete cascade,
                href text collate "C" not null,
                key text collate "C" not null,
                address text not null,
                live boolean not null,
                primary key (from_page_id, href)
            );
            create index raw_links_into on raw_links (site_id, key);
            SQL);
        app(NotedLinks::class)->note(DB::table('page_words')->orderBy('page_id')->pluck('page_id')->all());
    }
};
