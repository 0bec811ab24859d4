<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * Who holds an address, with the redirect rule that holds it and the page that the rule leads to: one question where there were three.
 * find_address stays for nodes that still run what was there before.
 */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            -- Always one row while there is a site. Of a rule, the page is the one that it leads to.
            create function find_holder(of_site bigint, asked text) returns table (
                stamp text, address text, kind text, ever_live boolean, page text, name text, page_address text, is_visible boolean, page_kind text, leads_to text, gate bigint,
                rule text
            ) language plpgsql stable rows 1 as $$
            #variable_conflict use_column
            declare
                of_rule record;
            begin
                select s.xmin::text, l.address, l.kind, l.ever_live, p.ulid, p.name, p.address,
                        -- Asked only where it depends on the moment.
                        case when p.from_at is null and p.until_at is null then p.state = 'live' else is_visible(p.state, p.from_at, p.until_at) end,
                        p.kind, p.leads_to, p.gate_id
                    into stamp, address, kind, ever_live, page, name, page_address, is_visible, page_kind, leads_to, gate
                    from sites s left join ledger l on l.site_id = s.id and l.key = asked left join pages p on p.id = l.page_id where s.id = of_site and s.deleted_at is null;
                if not found then
                    return;
                end if;
                if kind = 'rule' then
                    select row_to_json(held)::text as rule, held.target into of_rule from (
                        select r.ulid, r.scope, r.source, r.key, r.answer, r.target, r.query, r.matched, r.carries_rest, r.is_on, r.in_front, r.position, r.note,
                            r.pause::text as pause, r.origin, extract(epoch from r.from_at)::bigint as from_at, extract(epoch from r.until_at)::bigint as until_at
                        from redirect_rules r where r.site_id = of_site and r.claims and r.key = asked) held;
                    rule := of_rule.rule;
                    if of_rule.target like 'page %' then
                        select p.ulid, p.name, p.address,
                                case when p.from_at is null and p.until_at is null then p.state = 'live' else is_visible(p.state, p.from_at, p.until_at) end,
                                p.kind, p.leads_to, p.gate_id
                            into page, name, page_address, is_visible, page_kind, leads_to, gate
                            from pages p where p.site_id = of_site and p.ulid = substr(of_rule.target, 6);
                    end if;
                end if;
                return next;
            end $$;
            SQL
        );
    }
};
