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
            -- What other sites said of their films, by oEmbed.
            create table films (
                id bigint generated always as identity primary key,
                site_id bigint not null references sites on delete cascade,
                address text not null,
                frame text not null,
                width int not null,
                height int not null,
                title text not null,
                poster text collate "C",
                asked_at timestamptz not null default now(),
                unique (site_id, address)
            );
            SQL
            ,
        );
    }
};
