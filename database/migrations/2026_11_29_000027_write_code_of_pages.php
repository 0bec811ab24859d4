<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        // What the owner of the site wrote for a page by hand, as Code reads it; null for nothing.
        DB::unprepared('alter table pages add column code jsonb');
    }
};
