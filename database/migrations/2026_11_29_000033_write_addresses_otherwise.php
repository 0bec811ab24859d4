<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** How addresses are written is changed like anything else, and undone. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared('alter table history add column address_rules jsonb');
    }
};
