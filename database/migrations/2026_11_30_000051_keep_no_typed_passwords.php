<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** A password set on several pages at once was kept as it was typed, in the history and with large changes: what is kept says only that there was one. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            create function pg_temp.without_passwords(changes jsonb) returns jsonb language sql as $$
                select coalesce(jsonb_agg(
                    case when jsonb_typeof(c #> '{access,password}') = 'string' then jsonb_set(c, '{access,password}', 'true') else c end order by n
                ), '[]')
                from jsonb_array_elements(changes) with ordinality e(c, n)
            $$;
            update history set batch = pg_temp.without_passwords(batch) where 'set-access' = any(kinds) and jsonb_typeof(batch) = 'array';
            update changes_under_way set asked = jsonb_set(asked, '{changes}', pg_temp.without_passwords(asked -> 'changes'))
                where state in ('done', 'stopped', 'refused', 'failed') and jsonb_typeof(asked -> 'changes') = 'array';
            drop function pg_temp.without_passwords(jsonb);
            SQL
            ,
        );
    }

    public function down(): void
    {
    }
};
