<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * Pages say which visitors see them and what is below them. Every page knows the nearest that says something, so that a list of
 * pages is filtered by one comparison; which of those let somebody through is told for one transaction.
 */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            alter table pages add column access jsonb, add column gate_id bigint references pages on delete set null;
            create index pages_with_access on pages (site_id) where access is not null;
            create index pages_by_gate on pages (gate_id) where gate_id is not null;
            alter table menu_entries add column closed text not null default 'left-out';

            -- Whoever is not told of is nobody: without a word on who looks, only what has no gate is open.
            create function open_gates() returns bigint[] language sql stable as $$
                select string_to_array(nullif(current_setting('heronstem.open_gates', true), ''), ',')::bigint[]
            $$;
            -- The same, row by row: where many pages are looked at, they are compared with these at once.
            create function open_gate() returns setof bigint language sql stable rows 100 as $$
                select unnest(open_gates())
            $$;
            create function is_open(gate bigint) returns boolean language sql stable as $$
                select gate is null or coalesce(gate = any(open_gates()), false)
            $$;
            -- Whether it is no secret that a page is there: where nobody looks, it is none.
            create function hidden_gates() returns bigint[] language sql stable as $$
                select string_to_array(nullif(current_setting('heronstem.hidden_gates', true), ''), ',')::bigint[]
            $$;
            create function is_told(gate bigint) returns boolean language sql stable as $$
                select gate is null or not coalesce(gate = any(hidden_gates()), false)
            $$;
            insert into right_lines (site_id, role_id, "right", says)
                select r.site_id, r.id, 'access', 'allow' from roles r join right_lines l on l.role_id = r.id and l.page_id is null
                where l."right" = 'settings' and l.says = 'allow';
            SQL
            ,
        );
    }
};
