<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        // What stands in braces in the pages of a starting point.
        DB::unprepared("alter table starting_points add placeholders jsonb not null default '[]'");
    }
};
