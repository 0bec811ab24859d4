<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- Redirects made by hand or brought in. Those of one address hold it in the ledger as well.
            create table redirect_rules (
                id bigint generated always as identity primary key,
                ulid text collate "C" not null unique,
                site_id bigint not null references sites on delete cascade,
                reach text not null check (reach in ('one', 'branch', 'pattern')),
                source text not null,
                key text collate "C" not null,
                claims boolean not null,
                answer text not null check (answer in ('301', '302', '307', '308', '410', 'pause')),
                target text,
                query text not null default 'carry' check (query in ('carry', 'drop', 'match')),
                matched text not null default '',
                carries_rest boolean not null default true,
                from_at timestamptz,
                until_at timestamptz,
                is_on boolean not null default true,
                in_front boolean not null default false,
                position int not null default 0,
                note text not null default '',
                pause jsonb,
                origin text not null default 'hand',
                identity text collate "C" not null,
                made_at timestamptz not null default now(),
                by_entry_id bigint references history on delete set null,
                check ((answer = '410') = (target is null)),
                check ((answer = 'pause') = (pause is not null)),
                unique (site_id, identity)
            );
            create unique index redirect_rules_claim on redirect_rules (site_id, key) where claims;
            create index redirect_rules_standing on redirect_rules (site_id) where not claims;
            create index redirect_rules_target on redirect_rules (site_id, target);
            create index redirect_rules_words on redirect_rules using gin ((source || ' ' || note) gin_trgm_ops);
            create index ledger_words on ledger using gin (address gin_trgm_ops);

            alter table ledger drop constraint ledger_kind_check, drop constraint ledger_holder;
            alter table ledger
                add constraint ledger_kind_check check (kind in ('page', 'also', 'redirect', 'gone', 'bin', 'rule')),
                add constraint ledger_holder check ((page_id is null) = (kind in ('gone', 'bin', 'rule')));
            alter table history add column rules jsonb not null default '[]';
            -- Grows whenever rules that are compiled change.
            alter table sites add column rules_version bigint not null default 0;
            SQL);
    }
};
