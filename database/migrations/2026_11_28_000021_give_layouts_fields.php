<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        // What stands in the fields of a page's layout, and what is kept for layouts it had, as FieldValues reads it.
        DB::unprepared("alter table pages add column fields jsonb not null default '{}'");
    }
};
