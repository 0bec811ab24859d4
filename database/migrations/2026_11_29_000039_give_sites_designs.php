<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        // The folder of its design; none for the one that ships.
        DB::unprepared("alter table sites add design text not null default ''");
    }
};
