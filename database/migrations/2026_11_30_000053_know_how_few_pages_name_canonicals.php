<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * The database looks in how many pages something is said, to choose how it finds them; of what stands in a document it knows nothing by itself,
 * and read every page of every site to find those that name another as their canonical one.
 */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared("
            create statistics if not exists pages_canonical_said on (search->>'canonical') from pages;
            analyze pages;
        ");
    }

    public function down(): void
    {
        DB::unprepared('drop statistics if exists pages_canonical_said');
    }
};
