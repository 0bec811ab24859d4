<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::statement('create index if not exists pages_headings on pages using gin (heading gin_trgm_ops) where heading is not null');
    }

    public function down(): void
    {
        DB::statement('drop index if exists pages_headings');
    }
};
