<?php

declare(strict_types=1);

use App\Store\SeenPart;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Somebody may see a part of a site: what they read is read through views that leave out the rest. */
return new class extends Migration
{
    public function up(): void
    {
        SeenPart::draw(DB::connection());
    }
};
