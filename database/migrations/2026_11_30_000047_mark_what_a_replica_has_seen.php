<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * A mark can be taken on a replica as well. What is being written while it is taken does not stand in the snapshot of a replica, so that
 * everything from its first unfinished transaction on counts as not seen.
 */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            create or replace function seen_so_far() returns text language sql stable as $$
                select case when pg_is_in_recovery() then pg_snapshot_xmin(pg_current_snapshot()) || ':' || pg_snapshot_xmin(pg_current_snapshot()) || ':'
                    else pg_current_snapshot()::text end || ' ' || coalesce((select max(id) from forgets), 0)
            $$;
            SQL,
        );
    }

    public function down(): void
    {
        // On a primary it marks what it did before.
    }
};
