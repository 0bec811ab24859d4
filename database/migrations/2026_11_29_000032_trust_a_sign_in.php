<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** A second step when signing in, devices that are known, who is let in no longer, and a log that nobody changes. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            alter table users add column second_step text, add column second_step_since timestamptz, add column second_step_used bigint,
                add column recovery_codes jsonb not null default '[]';
            alter table roles add column needs_second_step boolean not null default false;
            alter table memberships add column disabled_at timestamptz;
            create table known_devices (
                id bigint generated always as identity primary key,
                user_id bigint not null references users on delete cascade,
                mark_hash text not null,
                seen_at timestamptz not null default now(),
                unique (user_id, mark_hash)
            );

            -- Visitors come by invitation, by a table, or by signing up; until they have confirmed their address, and somebody has let them in, they are not.
            alter table visitors add column confirmed_at timestamptz, add column admitted_at timestamptz, add column disabled_at timestamptz,
                add column last_at timestamptz;
            update visitors set confirmed_at = created_at, admitted_at = created_at;
            alter table sites add column sign_up jsonb;
            create table visitor_links (
                id bigint generated always as identity primary key,
                visitor_id bigint not null references visitors on delete cascade,
                purpose text not null,
                token_hash text not null unique,
                expires_at timestamptz not null
            );
            create index visitor_links_of on visitor_links (visitor_id);

            -- What happened at the door: written once, and by no statement changed or taken away.
            create table security_log (
                id bigint generated always as identity primary key,
                at timestamptz not null default now(),
                kind text not null,
                site_id bigint,
                user_id bigint,
                who text not null default '',
                network text not null default '',
                device text not null default '',
                detail text not null default ''
            );
            create index security_log_by_user on security_log (user_id, id);
            create index security_log_by_site on security_log (site_id, id);
            create function keep_security_log() returns trigger language plpgsql as $$
            begin
                raise exception 'The security log is not changed.';
            end
            $$;
            create trigger security_log_is_kept before update or delete on security_log for each row execute function keep_security_log();
            create trigger security_log_is_not_emptied before truncate on security_log for each statement execute function keep_security_log();
            SQL
            ,
        );
    }
};
