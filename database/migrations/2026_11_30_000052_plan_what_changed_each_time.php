<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * What of pages and contents changed is worked out by a plan made for the rows there are. The database remembers a trigger's plan for as long as a
 * connection lives, with the number of rows there were the first time: after a change of one page, one of 10,000 compared each with each.
 */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            create or replace function note_pages() returns trigger language plpgsql as $$
            declare
                many bigint;
                of record;
            begin
                if tg_op = 'UPDATE' then
                    select count(*) into many from old_rows;
                    for of in execute $query$
                        with changed as (
                            select n.site_id, n.id, n.ulid, n.path, o.path as old_path, coalesce(n.parent_id, 0) as parent, coalesce(o.parent_id, 0) as old_parent,
                                seen and (n.name, n.address, n.state, n.from_at, n.until_at, n.listed, n.kind, n.leads_to, n.parent_id, n.gate_id, n.access, n.wanted_as)
                                    is distinct from (o.name, o.address, o.state, o.from_at, o.until_at, o.listed, o.kind, o.leads_to, o.parent_id, o.gate_id, o.access, o.wanted_as) as shown,
                                seen and n.position <> o.position as placed,
                                seen and (n.summary, n.search_description, n.search, n.showing, n.fields, n.tags, n.layout, n.live_since, n.heading)
                                    is distinct from (o.summary, o.search_description, o.search, o.showing, o.fields, o.tags, o.layout, o.live_since, o.heading) as card,
                                seen and ((n.search_title, n.social_title, n.social_description, n.code) is distinct from (o.search_title, o.social_title, o.social_description, o.code)
                                    or (n.prepared is distinct from o.prepared and n.state <> 'live')) as own,
                                n.branch_search is distinct from o.branch_search as settled,
                                (n.fields, n.prepared, n.state) is distinct from (o.fields, o.prepared, o.state) as given
                            from old_rows o join new_rows n using (id) cross join lateral (
                                select is_shown_ever(o.state, o.from_at) or is_shown_ever(n.state, n.from_at) as seen
                            ) s
                        )
                        -- Of many pages it is not named what of them changed.
                        select site_id, case when $1 <= 1000 then array_agg(distinct part) end as parts from changed cross join lateral (
                            select 'any' where $1 > 1000 and (shown or placed or card or own or settled or given)
                            union all select part from (
                                select 'p' || ulid where shown
                                union all select unnest(array['c' || parent, 'c' || old_parent, 'b0']) where shown or placed
                                union all select unnest(array['kc' || parent, 'kc' || old_parent, 'kb0']) where shown or placed or card
                                union all select 'k' || ulid where shown or card
                                union all select 'kb' || unnest(string_to_array(path::text || '.' || old_path::text, '.')) where shown or placed or card
                                union all select 'o' || id where shown or card or own
                                union all select 's' || id where settled
                                union all select 'g' || id where given
                            ) each(part) where $1 <= 1000
                        ) t(part) group by site_id
                        $query$ using many
                    loop
                        perform note_change(of.site_id, of.parts);
                    end loop;
                else
                    for of in select site_id, count(*) as many, array_agg(id) as ids from touched where is_shown_ever(state, from_at) group by site_id loop
                        if of.many > 1000 then
                            perform note_change(of.site_id, null);
                        else
                            perform note_change(of.site_id, array_agg(distinct part)) from touched cross join lateral (
                                select unnest(array['p' || ulid, 'k' || ulid, 'o' || id, 'c' || coalesce(parent_id, 0), 'kc' || coalesce(parent_id, 0), 'b0', 'kb0'])
                                union all select 'kb' || unnest(string_to_array(path::text, '.'))
                            ) t(part) where site_id = of.site_id and is_shown_ever(state, from_at);
                        end if;
                    end loop;
                end if;
                return null;
            end $$;

            create or replace function note_changed_contents() returns trigger language plpgsql as $$
            declare
                of record;
            begin
                for of in execute $query$
                    select p.site_id, count(*) as many, array_agg(p.id) as ids from old_rows o join new_rows n using (page_id) join pages p on p.id = page_id
                    where is_shown_ever(p.state, p.from_at) and (n.live is distinct from o.live or (p.state <> 'live' and n.working is distinct from o.working)) group by p.site_id
                    $query$
                loop
                    perform note_contents_of(of.site_id, of.many, of.ids);
                end loop;
                return null;
            end $$;
            SQL,
        );
    }

    public function down(): void
    {
        // What it was before finds the same, by comparing more.
    }
};
