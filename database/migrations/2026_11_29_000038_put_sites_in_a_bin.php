<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        // A site in the bin is there for nobody: it answers nowhere and is in no list until it is brought back.
        DB::unprepared('alter table sites add deleted_at timestamptz');
    }
};
