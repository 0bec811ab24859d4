<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What every request to a public site asks first, as functions: the database keeps how it goes about them for as long as a connection lasts. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            -- Who holds an address, with a mark of the site's settings, which is another once they change. Always one row while there is a site.
            create function find_address(of_site bigint, asked text) returns table (
                stamp text, address text, kind text, ever_live boolean, page text, name text, page_address text, is_visible boolean, page_kind text, leads_to text, gate bigint
            ) language plpgsql stable rows 1 as $$
            #variable_conflict use_column
            begin
                return query
                    select s.xmin::text, l.address, l.kind, l.ever_live, p.ulid, p.name, p.address,
                        -- Asked only where it depends on the moment.
                        case when p.from_at is null and p.until_at is null then p.state = 'live' else is_visible(p.state, p.from_at, p.until_at) end,
                        p.kind, p.leads_to, p.gate_id
                    from sites s left join ledger l on l.site_id = s.id and l.key = asked left join pages p on p.id = l.page_id where s.id = of_site and s.deleted_at is null;
            end $$;

            create function find_site(http text, https text) returns table (
                stamp text, id bigint, ulid text, origin text, rules_version bigint, trailing_slash text, suffix text, case_sensitive boolean, language text, native_letters boolean
            ) language plpgsql stable rows 1 as $$
            #variable_conflict use_column
            begin
                return query
                    select s.xmin::text, s.id, s.ulid, s.origin, s.rules_version, s.trailing_slash, s.suffix, s.case_sensitive, s.language, s.native_letters
                    from sites s where s.origin in (http, https) and s.deleted_at is null;
            end $$;
            SQL
        );
    }
};
