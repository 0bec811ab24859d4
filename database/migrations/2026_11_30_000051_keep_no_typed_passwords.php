<?php

declare(strict_types=1);

use Heronstem\Core\Change\SetAccess;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * A password set on several pages at once was kept as it was typed: in the history and with large changes that are done, where what is
 * kept says only that there was one, and in what is still to be made, plans above all, which keeps its keys instead.
 */
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
        foreach (DB::select("select id, changes from plan_steps where changes @> '[{\"kind\": \"set-access\"}]'") as $step) {
            DB::update('update plan_steps set changes = ?::jsonb where id = ?', [self::sealed(json_decode($step->changes, true)), $step->id]);
        }
        foreach (DB::select("select id, asked -> 'changes' as changes from changes_under_way where asked -> 'changes' @> '[{\"kind\": \"set-access\"}]'") as $waits) {
            DB::update("update changes_under_way set asked = jsonb_set(asked, '{changes}', ?::jsonb) where id = ?", [
                self::sealed(json_decode($waits->changes, true)),
                $waits->id,
            ]);
        }
    }

    /** @param  list<array<string, mixed>>  $changes */
    private static function sealed(array $changes): string
    {
        return json_encode(
            array_map(
                static fn (array $change): array => $change['kind'] === 'set-access' ? SetAccess::sealed($change, $change['pages'] ?? [$change['page']]) : $change,
                $changes,
            ),
            JSON_THROW_ON_ERROR,
        );
    }

    public function down(): void
    {
    }
};
