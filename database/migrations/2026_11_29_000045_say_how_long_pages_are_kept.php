<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** How long browsers and caches on the way may keep pages of a site without asking, where a page says nothing of it itself. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            alter table sites add column caching text not null default 'standard';

            create function note_caching() returns trigger language plpgsql as $$
            begin
                perform note_change(new.id, null);
                return null;
            end $$;
            create trigger sites_caching after update of caching on sites for each row when (old.caching is distinct from new.caching) execute function note_caching();
            SQL,
        );
    }

    public function down(): void
    {
        DB::unprepared('drop trigger sites_caching on sites; drop function note_caching(); alter table sites drop column caching;');
    }
};
