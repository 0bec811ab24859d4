<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Roles are a site's own, and what they and people may do is said in lines, for the site or a branch. */
return new class extends Migration
{
    /** What the roles of before could do, as they could do it. */
    private const MAY = [
        'manager' => ['see', 'write', 'structure', 'publish', 'retire', 'menus', 'addresses', 'search', 'fields', 'files', 'settings'],
        'writer' => ['see', 'write', 'structure', 'fields'],
        'reader' => ['see'],
    ];

    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            create table roles (
                id bigint generated always as identity primary key,
                site_id bigint not null references sites on delete cascade,
                key text collate "C" not null,
                name text not null,
                unique (site_id, key)
            );
            create table membership_roles (
                membership_id bigint not null references memberships on delete cascade,
                role_id bigint not null references roles on delete cascade,
                primary key (membership_id, role_id)
            );
            create index membership_roles_by_role on membership_roles (role_id);
            create table right_lines (
                id bigint generated always as identity primary key,
                site_id bigint not null references sites on delete cascade,
                role_id bigint references roles on delete cascade,
                user_id bigint references users on delete cascade,
                page_id bigint references pages on delete cascade,
                "right" text not null,
                says text not null check (says in ('allow', 'deny')),
                check ((role_id is null) <> (user_id is null)),
                unique nulls not distinct (site_id, role_id, user_id, page_id, "right")
            );
            create index right_lines_by_page on right_lines (page_id) where page_id is not null;
            insert into roles (site_id, key, name) select s.id, r.key, r.name from sites s,
                (values (1, 'owner', 'Owner'), (2, 'manager', 'Manager'), (3, 'writer', 'Writer'), (4, 'reader', 'Reader')) r(place, key, name) order by s.id, r.place;
            insert into membership_roles (membership_id, role_id)
                select m.id, r.id from memberships m join roles r on r.site_id = m.site_id and r.key = case when m.branch_id is null then m.role else 'reader' end;
            SQL
            ,
        );
        foreach (self::MAY as $role => $rights) {
            foreach ($rights as $right) {
                DB::insert('insert into right_lines (site_id, role_id, "right", says) select site_id, id, ?, \'allow\' from roles where key = ?', [
                    $right,
                    $role,
                ]);
            }
        }
        foreach (self::MAY['writer'] as $right) {
            if ($right !== 'see') {
                DB::insert(
                    'insert into right_lines (site_id, user_id, page_id, "right", says) select site_id, user_id, branch_id, ?, \'allow\' from memberships where branch_id is not null',
                    [$right],
                );
            }
        }
        DB::unprepared(
            <<<'SQL'
            alter table memberships drop column role, drop column branch_id;
            alter table unmade_pages rename column writers to lines;
            update unmade_pages set lines = '[]';
            alter table history add column access jsonb;
            SQL
            ,
        );
    }
};
