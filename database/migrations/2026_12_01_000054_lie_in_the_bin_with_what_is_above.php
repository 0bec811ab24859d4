<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Undoing could leave a page in the bin with one that was out of it by now, so that it could neither be brought back nor deleted. */
return new class() extends Migration
{
    public function up(): void
    {
        // Level by level, of which a tree has 32; pages that lay below each other in a circle, which undoing made as well, would go on for ever.
        $level = 0;
        do {
            $mended = DB::update(
                <<<'SQL'
                update pages p set bin_id = coalesce(above.bin_id, p.id)
                from pages each left join pages above on above.id = each.parent_id
                where each.id = p.id and p.bin_id <> p.id and above.bin_id is distinct from p.bin_id
                SQL
            );
        } while ($mended > 0 && ++$level < 32);
    }

    public function down(): void
    {
    }
};
