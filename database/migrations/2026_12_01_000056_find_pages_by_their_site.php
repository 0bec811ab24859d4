<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** The pages of a small site are found, and counted by their state, without looking at those of a large one beside it. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared('create index pages_of_site on pages (site_id, state)');
    }

    public function down(): void
    {
        DB::unprepared('drop index pages_of_site');
    }
};
