<?php

declare(strict_types=1);

namespace App\Store;

use Closure;
use Illuminate\Database\Connection;
use Illuminate\Database\QueryException;

/**
 * What somebody reads who sees a part of a site only: pages that they do not see, and whatever hangs on these, are not there.
 *
 * For as long as something is read, the schema `seen` stands before the tables: its views hold of each table with pages what belongs
 * to those that are seen, so that no query has to ask for itself. Pages on the way to what is seen are there too, so that the
 * tree holds together; each is asked about by itself before it is opened.
 */
final readonly class SeenPart
{
    /** Where what belongs to a page is read whole: what decides about rights, and what is arranged whole. */
    private const WHOLE = ['pages', 'sites', 'right_lines', 'menu_entries'];

    public function __construct(private Connection $db)
    {
    }

    /**
     * @template T
     *
     * @param  array<string, bool>  $branches  whether each is seen, by page
     * @param  bool  $otherwise  whether what is in none of them is seen
     * @param  Closure(): T  $read
     * @return T
     */
    public function during(array $branches, bool $otherwise, Closure $read): mixed
    {
        return $this->db->transaction(function () use ($branches, $otherwise, $read): mixed {
            $paths = array_column(
                $this->db->select('select ulid, path::text from public.pages where ulid = any(?::text[])', [PgArray::of(array_keys($branches))]),
                'path',
                'ulid',
            );
            $of = static fn (bool $sees): string => PgArray::of(
                array_values(array_intersect_key($paths, array_filter($branches, static fn (bool $each): bool => $each === $sees))),
            );
            $this->tell($of(true), $of(false), $otherwise);
            $result = $read();
            $this->forget();

            return $result;
        });
    }

    private function tell(string $shown, string $hidden, bool $otherwise): void
    {
        $this->db->select(
            "select set_config('heronstem.shown', ?, true), set_config('heronstem.hidden', ?, true), set_config('heronstem.otherwise', ?, true)",
            [$shown, $hidden, $otherwise ? 't' : 'f'],
        );
        // Worked out once for all that is read.
        $this->db->select(
            "select set_config('heronstem.ids', coalesce((select string_agg(id::text, ',') from seen.worked_out() id), ''), true), set_config('search_path', 'seen,public', true)",
        );
    }

    /** Where something failed in the database the transaction is over, and what was told with it. */
    private function forget(): void
    {
        try {
            $this->db->select("select set_config('search_path', 'public', true)");
        } catch (QueryException $failed) {
            if ($failed->getCode() !== '25P02') {
                throw $failed;
            }
        }
    }

    /** Draws the views anew: after every migration that changes a table with pages. */
    public static function draw(Connection $db): void
    {
        $db->unprepared('drop schema if exists seen cascade; create schema seen');
        $db->unprepared(
            <<<'SQL'
            -- Of a path through branches of which some are shown and some hidden: what the nearest of them says.
            create function seen.by_nearest(path ltree, shown ltree[], hidden ltree[]) returns boolean language sql immutable as
                'select coalesce((select max(nlevel(s)) from unnest(shown) s where s @> path), -1) > coalesce((select max(nlevel(h)) from unnest(hidden) h where h @> path), -1)';
            create function seen.shown() returns ltree[] language sql stable as $$select current_setting('heronstem.shown', true)::ltree[]$$;
            create function seen.hidden() returns ltree[] language sql stable as $$select current_setting('heronstem.hidden', true)::ltree[]$$;
            -- The exceptions: what is shown where the rest is hidden, what is hidden where the rest is shown. Branch by branch along the index of paths.
            create function seen.worked_out() returns setof bigint language sql stable as $$
                select p.id from unnest(case when current_setting('heronstem.otherwise', true) = 'f' then seen.shown() else seen.hidden() end) x
                join public.pages p on p.path <@ x
                where seen.by_nearest(p.path, seen.shown(), seen.hidden()) = (current_setting('heronstem.otherwise', true) = 'f')$$;
            create function seen.told_ids() returns setof bigint language sql stable as
                $$select unnest(string_to_array(current_setting('heronstem.ids', true), ',')::bigint[])$$;
            create function seen.way_ids() returns setof bigint language sql stable as
                $$select unnest(string_to_array(x::text, '.'))::bigint from unnest(seen.shown()) x$$;
            SQL
            ,
        );
        $db->unprepared('create view seen.pages as select p.* from public.pages p where '.self::isSeen('p.id'));
        // What was done to pages of which one is not seen is not told, nor what was done to one on the way.
        $db->unprepared(
            'create view seen.history as select h.* from public.history h where not exists (select 1 from public.pages p where p.ulid = any(h.touched) and not ('.
                self::sees('p.id').
                '))',
        );
        foreach (self::tables($db) as $table => $columns) {
            $seen = array_map(static fn (string $column): string => "(t.$column is null or ".self::isSeen("t.$column").')', $columns);
            $db->unprepared("create view seen.$table as select t.* from public.$table t where ".implode(' and ', $seen));
        }
    }

    /** Seen, or on the way to what is. */
    private static function isSeen(string $id): string
    {
        return self::sees($id)." or $id in (select seen.way_ids())";
    }

    /** The lists are each read once a query, and looked up from then on. */
    private static function sees(string $id): string
    {
        return "case when (select current_setting('heronstem.otherwise', true)) = 'f' then $id in (select seen.told_ids()) else $id not in (select seen.told_ids()) end";
    }

    /** @return array<string, list<string>> columns that hold pages, by table */
    private static function tables(Connection $db): array
    {
        $tables = [];
        $rows = $db->select(
            "select c.conrelid::regclass::text as name, a.attname as column from pg_constraint c join pg_attribute a on a.attrelid = c.conrelid and a.attnum = c.conkey[1]
            where c.contype = 'f' and c.confrelid = 'public.pages'::regclass and array_length(c.conkey, 1) = 1 order by 1, 2",
        );
        foreach ($rows as $row) {
            if (! in_array($row->name, self::WHOLE, true)) {
                $tables[(string) $row->name][] = (string) $row->column;
            }
        }

        return $tables;
    }
}
