<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            create table plans (
                id bigint generated always as identity primary key,
                ulid text collate "C" not null unique,
                site_id bigint not null references sites on delete cascade,
                user_id bigint references users on delete set null,
                name text not null,
                description text not null default '',
                state text not null default 'open' check (state in ('open', 'applied')),
                token text,
                base jsonb not null default '{}',
                decisions jsonb not null default '[]',
                switch_at timestamptz,
                switched_by bigint references users on delete set null,
                problem text,
                entry text collate "C",
                created_at timestamptz not null default now(),
                updated_at timestamptz not null default now(),
                unique (site_id, name)
            );
            create unique index plans_token on plans (token) where token is not null;
            create index plans_due on plans (switch_at) where state = 'open' and switch_at is not null;
            create table plan_steps (
                id bigint generated always as identity primary key,
                ulid text collate "C" not null unique,
                plan_id bigint not null references plans on delete cascade,
                user_id bigint references users on delete set null,
                changes jsonb not null,
                sentence text not null,
                created_at timestamptz not null default now()
            );
            create index plan_steps_of_plan on plan_steps (plan_id, id);
            SQL);
    }
};
