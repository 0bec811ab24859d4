<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * What pages, branches, layouts and sites tell search engines, and what the audit finds. `indexed` and `in_sitemap` are
 * worked out of what is inherited (Store\InheritedSearch), so that lists need not look upwards.
 */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            alter table pages
                add column social_title text not null default '',
                add column social_description text not null default '',
                add column search jsonb,
                add column branch_search jsonb,
                add column in_sitemap boolean not null default true,
                add column weight real not null default 0;
            update pages set search = '{"own": {"index": false}}' where not indexed;
            create index pages_branch_search on pages (site_id) where branch_search is not null;
            create index pages_canonical on pages ((search->>'canonical')) where search->>'canonical' is not null;
            alter table sites add column search jsonb not null default '{}';
            update sites set search = jsonb_build_object('defaults', jsonb_build_object('titlePattern', title_pattern)) where title_pattern <> '{heading} · {site}';
            alter table sites drop column title_pattern;
            alter table history add column site_search jsonb;
            update history set pages = replace(replace(pages::text, '"indexed": false', '"search": "{\"own\":{\"index\":false}}"'), '"indexed": true', '"search": null')::jsonb
                where pages::text like '%"indexed": %';

            create table audit_pages (
                page_id bigint primary key references pages on delete cascade,
                site_id bigint not null references sites on delete cascade,
                facts jsonb not null,
                fingerprint bigint not null,
                counts boolean not null,
                weight int not null default 0,
                passed int not null default 0,
                looked_at timestamptz not null default now()
            );
            create index audit_pages_site on audit_pages (site_id);
            create table audit_keys (
                site_id bigint not null references sites on delete cascade,
                page_id bigint not null references pages on delete cascade,
                key text collate "C" not null,
                holds boolean not null
            );
            create index audit_keys_key on audit_keys (site_id, key);
            create index audit_keys_page on audit_keys (page_id);
            create table findings (
                page_id bigint not null references pages on delete cascade,
                site_id bigint not null references sites on delete cascade,
                check_code text not null,
                says text not null,
                since timestamptz not null default now(),
                entry_id bigint references history on delete set null,
                primary key (page_id, check_code)
            );
            create index findings_site on findings (site_id, check_code);
            create table dismissals (
                page_id bigint not null references pages on delete cascade,
                site_id bigint not null references sites on delete cascade,
                check_code text not null,
                reason text not null,
                until date,
                user_id bigint references users on delete set null,
                created_at timestamptz not null default now(),
                primary key (page_id, check_code)
            );
            create index dismissals_site on dismissals (site_id);
            -- Pages to be looked at: whose facts are to be read anew, and whose facts stand but not those of others.
            -- Several lines a page, and no reference to it: who puts one down never waits for another, nor for who deletes the page.
            create table audit_due (
                id bigint generated always as identity primary key,
                page_id bigint not null,
                site_id bigint not null references sites on delete cascade,
                facts boolean not null default true,
                entry_id bigint references history on delete set null
            );
            create index audit_due_site on audit_due (site_id, facts, page_id);
            create index audit_due_page on audit_due (page_id);
            create table audit_days (
                site_id bigint not null references sites on delete cascade,
                day date not null,
                pages int not null,
                clean int not null,
                weight bigint not null,
                passed bigint not null,
                findings int not null,
                primary key (site_id, day)
            );
            SQL);
    }
};
