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
            SQL);
    }
};
