<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * What visitors see is kept rendered, and forgotten exactly where something of it changes. Whatever changes it, and by which way, is
 * noted here by the database itself, in the transaction that changes it: nobody who writes has to think of it.
 *
 * Parts that pages are made of, by what changes them: `o` a page as such, by number; `p` what links and menus show of a page, and `k`
 * what cards show, by identity; `c` the children of a page as links, `kc` as cards, by its number, 0 for the top; `kb` cards anywhere in
 * a branch, by its number; `b0`, `kb0` any page; `s` what a page settles for search below it; `g` what a group gives to the
 * fields of its items; `f` a file; `ff` files in folders;
 * `q` a shared piece; `m` menus and their places, with an identity the
 * entries of one; `v` films.
 */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            create table forgets (
                id bigint generated always as identity primary key,
                site_id bigint not null,
                xid xid8 not null default pg_current_xact_id(),
                made_of text[],
                at timestamptz not null default now()
            );
            comment on column forgets.made_of is 'parts that changed; null for everything of the site';
            create index forgets_of_site on forgets (site_id, xid);
            create index forgets_xid on forgets (xid);
            create index forgets_at on forgets (at);

            create table cached_pages (
                node text not null,
                key text collate "C" not null,
                site_id bigint not null references sites on delete cascade,
                made_of text[] not null,
                forgotten_at timestamptz,
                primary key (node, key)
            );
            comment on column cached_pages.forgotten_at is 'its file is gone; looked at once more for a moment, since it may have been on its way';
            create index cached_pages_made_of on cached_pages using gin (made_of);
            create index cached_pages_of_site on cached_pages (site_id);
            create index cached_pages_forgotten on cached_pages (node, forgotten_at) where forgotten_at is not null;

            create table cache_nodes (
                name text primary key,
                seen text not null,
                at timestamptz not null default now()
            );
            comment on column cache_nodes.seen is 'mark up to which it has forgotten what changed';

            -- More parts than that, and everything of the site is forgotten: naming them would take longer than rendering anew.
            create function note_change(site bigint, parts text[]) returns void language sql as $$
                insert into forgets (site_id, made_of) select site, case when cardinality(parts) > 2000 then null else parts end
                where parts is null or cardinality(parts) > 0
            $$;

            -- Whether visitors see the page, or will.
            create function is_shown_ever(state text, from_at timestamptz) returns boolean language sql immutable as $$
                select state = 'live' or (from_at is not null and state <> 'bin')
            $$;

            create function note_pages() returns trigger language plpgsql as $$
            declare
                many bigint;
                of record;
            begin
                if tg_op = 'UPDATE' then
                    select count(*) into many from old_rows;
                    for of in
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
                        select site_id, case when many <= 1000 then array_agg(distinct part) end as parts from changed cross join lateral (
                            select 'any' where many > 1000 and (shown or placed or card or own or settled or given)
                            union all select part from (
                                select 'p' || ulid where shown
                                union all select unnest(array['c' || parent, 'c' || old_parent, 'b0']) where shown or placed
                                union all select unnest(array['kc' || parent, 'kc' || old_parent, 'kb0']) where shown or placed or card
                                union all select 'k' || ulid where shown or card
                                union all select 'kb' || unnest(string_to_array(path::text || '.' || old_path::text, '.')) where shown or placed or card
                                union all select 'o' || id where shown or card or own
                                union all select 's' || id where settled
                                union all select 'g' || id where given
                            ) each(part) where many <= 1000
                        ) t(part) group by site_id
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
            create trigger pages_changed after update on pages referencing old table as old_rows new table as new_rows for each statement execute function note_pages();
            create trigger pages_made after insert on pages referencing new table as touched for each statement execute function note_pages();
            create trigger pages_gone after delete on pages referencing old table as touched for each statement execute function note_pages();

            create function note_contents() returns trigger language plpgsql as $$
            declare
                of record;
            begin
                for of in
                    select p.site_id, count(*) as many, array_agg(p.id) as ids from made m join pages p on p.id = m.page_id
                    where is_shown_ever(p.state, p.from_at) group by p.site_id
                loop
                    perform note_contents_of(of.site_id, of.many, of.ids);
                end loop;
                return null;
            end $$;
            create function note_contents_of(site bigint, many bigint, ids bigint[]) returns void language plpgsql as $$
            begin
                if many > 1000 then
                    perform note_change(site, null);
                else
                    perform note_change(site, array_agg(distinct part)) from pages p cross join lateral (
                        select unnest(array['o' || p.id, 'k' || p.ulid, 'kc' || coalesce(p.parent_id, 0), 'kb0'])
                        union all select 'kb' || unnest(string_to_array(p.path::text, '.'))
                    ) t(part) where p.id = any(ids);
                end if;
            end $$;
            create function note_changed_contents() returns trigger language plpgsql as $$
            declare
                of record;
            begin
                for of in
                    select p.site_id, count(*) as many, array_agg(p.id) as ids from old_rows o join new_rows n using (page_id) join pages p on p.id = page_id
                    where is_shown_ever(p.state, p.from_at) and (n.live is distinct from o.live or (p.state <> 'live' and n.working is distinct from o.working)) group by p.site_id
                loop
                    perform note_contents_of(of.site_id, of.many, of.ids);
                end loop;
                return null;
            end $$;
            create trigger contents_changed after update on page_contents referencing old table as old_rows new table as new_rows for each statement execute function note_changed_contents();
            create trigger contents_made after insert on page_contents referencing new table as made for each statement execute function note_contents();

            -- A further address that served a page, and no longer does.
            create function note_ledger() returns trigger language plpgsql as $$
            begin
                perform note_change(site_id, parts) from (
                    select site_id, array_agg(distinct 'o' || page_id) as parts from old_rows where kind = 'also' group by site_id
                ) s;
                return null;
            end $$;
            create trigger ledger_changed after update on ledger referencing old table as old_rows for each statement execute function note_ledger();
            create trigger ledger_gone after delete on ledger referencing old table as old_rows for each statement execute function note_ledger();

            create function note_menus() returns trigger language plpgsql as $$
            begin
                perform note_change(site_id, array['m']) from (select distinct site_id from touched) s;
                return null;
            end $$;
            create trigger menus_changed after update on menus referencing new table as touched for each statement execute function note_menus();
            create trigger menus_made after insert on menus referencing new table as touched for each statement execute function note_menus();
            create trigger menus_gone after delete on menus referencing old table as touched for each statement execute function note_menus();
            create function note_entries() returns trigger language plpgsql as $$
            begin
                perform note_change(m.site_id, array_agg(distinct 'm' || m.ulid)) from touched t join menus m on m.id = t.menu_id group by m.site_id;
                return null;
            end $$;
            create trigger entries_changed after update on menu_entries referencing new table as touched for each statement execute function note_entries();
            create trigger entries_made after insert on menu_entries referencing new table as touched for each statement execute function note_entries();
            create trigger entries_gone after delete on menu_entries referencing old table as touched for each statement execute function note_entries();

            create function note_files() returns trigger language plpgsql as $$
            begin
                perform note_change(site_id, array_agg(distinct 'f' || ulid) || 'ff'::text) from touched group by site_id;
                return null;
            end $$;
            create trigger files_changed after update on files referencing old table as touched for each statement execute function note_files();
            create trigger files_made after insert on files referencing new table as touched for each statement execute function note_files();
            create trigger files_gone after delete on files referencing old table as touched for each statement execute function note_files();

            create function note_pieces() returns trigger language plpgsql as $$
            begin
                perform note_change(site_id, array_agg(distinct 'q' || ulid)) from touched group by site_id;
                return null;
            end $$;
            create trigger pieces_changed after update on shared_pieces referencing old table as touched for each statement execute function note_pieces();
            create trigger pieces_made after insert on shared_pieces referencing new table as touched for each statement execute function note_pieces();
            create trigger pieces_gone after delete on shared_pieces referencing old table as touched for each statement execute function note_pieces();

            create function note_films() returns trigger language plpgsql as $$
            begin
                perform note_change(site_id, array['v']) from (select distinct site_id from touched) s;
                return null;
            end $$;
            create trigger films_changed after update on films referencing old table as touched for each statement execute function note_films();
            create trigger films_made after insert on films referencing new table as touched for each statement execute function note_films();

            -- Settings are in everything. A rule that stands in front answers where a page did.
            create function note_sites() returns trigger language plpgsql as $$
            begin
                perform note_change(id, null) from old_rows o join new_rows n using (id)
                where (n.name, n.origin, n.language, n.zone, n.trailing_slash, n.suffix, n.case_sensitive, n.native_letters, n.description, n.tagline, n.start_page_id, n.start_page_signed_in_id, n.short_name, n.search, n.sign_up, n.deleted_at, n.design)
                    is distinct from (o.name, o.origin, o.language, o.zone, o.trailing_slash, o.suffix, o.case_sensitive, o.native_letters, o.description, o.tagline, o.start_page_id, o.start_page_signed_in_id, o.short_name, o.search, o.sign_up, o.deleted_at, o.design);
                return null;
            end $$;
            create trigger sites_changed after update on sites referencing old table as old_rows new table as new_rows for each statement execute function note_sites();
            create function note_rules() returns trigger language plpgsql as $$
            begin
                perform note_change(site_id, null) from (select distinct site_id from touched where in_front and scope <> 'one') s;
                perform note_change(t.site_id, array_agg(distinct 'o' || l.page_id)) from touched t join ledger l on l.site_id = t.site_id and l.key = t.key
                    where t.in_front and t.scope = 'one' and l.page_id is not null group by t.site_id;
                return null;
            end $$;
            create trigger rules_were after update on redirect_rules referencing old table as touched for each statement execute function note_rules();
            create trigger rules_are after update on redirect_rules referencing new table as touched for each statement execute function note_rules();
            create trigger rules_made after insert on redirect_rules referencing new table as touched for each statement execute function note_rules();
            create trigger rules_gone after delete on redirect_rules referencing old table as touched for each statement execute function note_rules();

            -- The first visitor of a site, and the last: with them comes and goes the way to sign in.
            create function note_visitors() returns trigger language plpgsql as $$
            begin
                perform note_change(site_id, null) from (select distinct site_id from touched) s
                where not exists (select 1 from visitors v where v.site_id = s.site_id and v.id not in (select id from touched));
                return null;
            end $$;
            create trigger visitors_made after insert on visitors referencing new table as touched for each statement execute function note_visitors();
            create trigger visitors_gone after delete on visitors referencing old table as touched for each statement execute function note_visitors();

            -- Marks the state of things that can be seen now, for asking later what has changed since.
            create function seen_so_far() returns text language sql stable as $$
                select pg_current_snapshot()::text || ' ' || coalesce((select max(id) from forgets), 0)
            $$;

            -- Whether something of the parts has changed that could not be seen at a mark. What a transaction itself did before its mark could.
            create function changed_since(site bigint, parts text[], mark text) returns boolean language plpgsql as $$
            declare
                snap pg_snapshot := split_part(mark, ' ', 1)::pg_snapshot;
                upto bigint := split_part(mark, ' ', 2)::bigint;
            begin
                return exists (
                    select 1 from forgets f where f.site_id = site and f.xid >= pg_snapshot_xmin(snap) and (f.made_of is null or f.made_of && parts)
                        and case when f.xid = pg_current_xact_id_if_assigned() then f.id > upto else not pg_visible_in_snapshot(f.xid, snap) end
                );
            end $$;

            -- Keeps what was rendered from what could be seen at a mark, unless something of it has changed since. Whoever forgets waits
            -- for those who keep, so that nothing comes to be kept after it was forgotten.
            create function keep_page(of_node text, as_key text, site bigint, parts text[], mark text) returns boolean language plpgsql as $$
            begin
                perform pg_advisory_xact_lock_shared(hashtextextended('forget ' || of_node, 0));
                if changed_since(site, parts, mark) then
                    return false;
                end if;
                insert into cached_pages (node, key, site_id, made_of) values (of_node, as_key, site, parts)
                    on conflict (node, key) do update set site_id = excluded.site_id, made_of = excluded.made_of, forgotten_at = null;
                return true;
            end $$;

            -- Forgets on a node what has changed since it last did; the keys of what is gone.
            create function forget_pages(of_node text) returns setof text language plpgsql as $$
            declare
                before text;
                snap pg_snapshot;
                upto bigint;
                now_seen text;
            begin
                perform pg_advisory_xact_lock(hashtextextended('forget ' || of_node, 0));
                select seen into before from cache_nodes where name = of_node;
                -- Of a node that was never asked everything is new.
                snap := coalesce(split_part(before, ' ', 1), '1:1:')::pg_snapshot;
                upto := coalesce(split_part(before, ' ', 2), '0')::bigint;
                now_seen := seen_so_far();
                insert into cache_nodes (name, seen) values (of_node, now_seen) on conflict (name) do update set seen = excluded.seen, at = now();
                return query
                    with changed as materialized (
                        select f.site_id, f.made_of from forgets f where f.xid >= pg_snapshot_xmin(snap)
                            and case when f.xid = pg_current_xact_id_if_assigned() then f.id > upto else not pg_visible_in_snapshot(f.xid, snap) end
                    ), wholly as (select distinct site_id from changed where made_of is null),
                    parts as (select site_id, array_agg(distinct part) as made_of from changed, unnest(made_of) part group by site_id),
                    targets as (
                        select c.key from cached_pages c join wholly w on w.site_id = c.site_id where c.node = of_node
                        union select c.key from parts p join cached_pages c on c.site_id = p.site_id and c.made_of && p.made_of where c.node = of_node
                    )
                    update cached_pages c set forgotten_at = now() from targets t where c.node = of_node and c.key = t.key
                    returning c.key;
            end $$;
            SQL
        );
    }
};
