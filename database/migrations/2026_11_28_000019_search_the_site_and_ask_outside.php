<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** The site's own search, what was searched, links to other sites, and what search engines were told. */
return new class extends Migration
{
    /** Languages that PostgreSQL knows the endings of. */
    private const LANGUAGES = [
        'simple', 'danish', 'dutch', 'english', 'finnish', 'french', 'german', 'hungarian', 'italian', 'norwegian', 'portuguese', 'romanian', 'russian',
        'spanish', 'swedish', 'turkish',
    ];

    public function up(): void
    {
        DB::unprepared('create extension if not exists unaccent');
        foreach (self::LANGUAGES as $language) {
            // Letters are found with and without their marks.
            $dictionary = $language === 'simple' ? 'simple' : "{$language}_stem";
            DB::unprepared("create text search configuration heronstem_$language (copy = pg_catalog.$language)");
            DB::unprepared("alter text search configuration heronstem_$language alter mapping for hword, hword_part, word with unaccent, $dictionary");
        }
        DB::unprepared(<<<'SQL'
            alter table pages add column in_site_search boolean not null default true;
            create table search_pages (
                page_id bigint primary key references pages on delete cascade,
                site_id bigint not null references sites on delete cascade,
                vector tsvector not null,
                description text not null,
                body text not null
            );
            create index search_pages_vector on search_pages using gin (vector);
            create index search_pages_site on search_pages (site_id);
            -- Words that pages have had, to guess what a word that no page has was meant to be; whether one still has it is asked then.
            create table search_words (
                site_id bigint not null references sites on delete cascade,
                word text collate "C" not null,
                primary key (site_id, word)
            );
            create index search_words_near on search_words using gin (word gin_trgm_ops);
            create table searches (
                site_id bigint not null references sites on delete cascade,
                words text collate "C" not null,
                outcome text not null check (outcome in ('found', 'near', 'nothing')),
                times bigint not null,
                first_at timestamptz not null,
                last_at timestamptz not null,
                primary key (site_id, words)
            );
            create index searches_outcome on searches (site_id, outcome, times desc);
            create table outside_links (
                site_id bigint not null references sites on delete cascade,
                key text collate "C" not null,
                url text not null,
                host text collate "C" not null,
                state text not null default 'unknown',
                status int,
                leads_to text,
                says text not null default '',
                failures int not null default 0,
                checked_at timestamptz,
                next_at timestamptz not null default now(),
                primary key (site_id, key)
            );
            create index outside_links_next on outside_links (site_id, next_at);
            alter table sites add column index_now_key text;
            create table engine_changes (
                id bigint generated always as identity primary key,
                site_id bigint not null references sites on delete cascade,
                address text collate "C" not null
            );
            create index engine_changes_site on engine_changes (site_id, id);
            create table engine_messages (
                id bigint generated always as identity primary key,
                site_id bigint not null references sites on delete cascade,
                addresses jsonb not null,
                state text not null default 'waiting' check (state in ('waiting', 'taken', 'refused')),
                tries int not null default 0,
                status int,
                says text not null default '',
                made_at timestamptz not null default now(),
                next_at timestamptz not null default now(),
                sent_at timestamptz
            );
            create index engine_messages_site on engine_messages (site_id, id);
            -- Versions of rules are never used twice, not even of a change that was only tried: what is compiled is kept by them.
            create sequence rules_versions;
            select setval('rules_versions', (select coalesce(max(rules_version), 0) + 1 from sites));
            insert into audit_due (page_id, site_id) select id, site_id from pages where state <> 'bin';
            SQL);
    }
};
