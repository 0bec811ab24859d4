<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        // Clicks and links of a page that has changed hold no longer, and not yet again.
        DB::unprepared('alter table pages add column reach_due boolean not null default false; create index pages_reach_due on pages (site_id) where reach_due;');
    }
};
