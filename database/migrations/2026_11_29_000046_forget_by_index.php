<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What a node forgets is found by the parts of what changed, however many pages it has kept: never by reading all of them. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            create or replace function forget_pages(of_node text) returns setof text language plpgsql as $$
            declare
                before text;
                snap pg_snapshot;
                upto bigint;
                now_seen text;
                gone text[] := '{}';
                of record;
            begin
                perform pg_advisory_xact_lock(hashtextextended('forget ' || of_node, 0));
                select seen into before from cache_nodes where name = of_node;
                -- Of a node that was never asked everything is new.
                snap := coalesce(split_part(before, ' ', 1), '1:1:')::pg_snapshot;
                upto := coalesce(split_part(before, ' ', 2), '0')::bigint;
                now_seen := seen_so_far();
                insert into cache_nodes (name, seen) values (of_node, now_seen) on conflict (name) do update set seen = excluded.seen, at = now();
                for of in
                    with changed as materialized (
                        select f.site_id, f.made_of from forgets f where f.xid >= pg_snapshot_xmin(snap)
                            and case when f.xid = pg_current_xact_id_if_assigned() then f.id > upto else not pg_visible_in_snapshot(f.xid, snap) end
                    )
                    select c.site_id, bool_or(c.made_of is null) as wholly, array_agg(distinct e.part) filter (where e.part is not null) as made_of
                        from changed c left join lateral unnest(c.made_of) as e(part) on true group by c.site_id
                loop
                    if of.wholly then
                        gone := gone || array(select c.key from cached_pages c where c.node = of_node and c.site_id = of.site_id);
                    else
                        -- By the index of parts alone: that of sites would find every page of the site.
                        gone := gone || array(select c.key from cached_pages c where c.made_of && of.made_of and c.node = of_node and c.site_id + 0 = of.site_id);
                    end if;
                end loop;
                return query update cached_pages c set forgotten_at = now() where c.node = of_node and c.key = any(gone) returning c.key;
            end $$;
            SQL,
        );
    }

    public function down(): void
    {
        // What it was before finds the same, by reading more.
    }
};
