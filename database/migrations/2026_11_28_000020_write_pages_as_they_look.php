<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- Heading and summary are typed on the page itself, and kept with what is typed below them.
            alter table drafts add column texts jsonb;
            -- Who has a page open to write on it; what is older than a minute means nothing.
            create unlogged table presences (
                page_id bigint not null references pages on delete cascade,
                user_id bigint not null references users on delete cascade,
                seen_at timestamptz not null default now(),
                primary key (page_id, user_id)
            );
            -- Links to pages that nobody has made, and the name by which a page was wanted that somebody made since.
            create table wanted_links (
                site_id bigint not null references sites on delete cascade,
                from_page_id bigint not null references pages on delete cascade,
                key text not null,
                name text not null,
                primary key (from_page_id, key)
            );
            create index wanted_links_key on wanted_links (site_id, key);
            alter table pages add column wanted_as text;
            create index pages_wanted_as on pages (site_id, wanted_as) where wanted_as is not null;
            SQL);
    }
};
