<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Membership;
use App\Models\Page;
use App\Models\Role;
use App\Models\Site;
use App\Models\User;
use Heronstem\Core\Access\AccessDifference;
use Heronstem\Core\Access\AccessSource;
use Heronstem\Core\Access\Line;
use Heronstem\Core\Access\Person;
use Heronstem\Core\Access\Right;
use Heronstem\Core\Access\RightsOfPerson;
use Heronstem\Core\Access\Role as CoreRole;
use Heronstem\Core\Access\Says;
use Heronstem\Core\Access\SiteAccess;
use Heronstem\Core\Access\Who;
use Illuminate\Database\ConnectionInterface;

/** Who works on a site and what is said of their rights, over PostgreSQL. */
final readonly class StoredAccess implements AccessSource
{
    private const LINES = <<<'SQL'
    select r.key as role, u.ulid as person, p.ulid as branch, p.id as branch_id, l."right", l.says
        from right_lines l left join roles r on r.id = l.role_id left join users u on u.id = l.user_id left join pages p on p.id = l.page_id
        where l.site_id = ?
    SQL;

    public function __construct(private ConnectionInterface $db, private Site $site)
    {
    }

    /** What a site begins with. */
    public function begin(): void
    {
        $begun = SiteAccess::begun();
        foreach ($begun->roles as $role) {
            Role::query()->create(['site_id' => $this->site->id, 'key' => $role->key, 'name' => $role->name]);
        }
        $this->say(array_map(static fn (Line $line): array => ['line' => $line, 'after' => $line->says], $begun->lines));
    }

    public function access(): SiteAccess
    {
        $people = $this->db->select(
            'select u.ulid, u.name, m.disabled_at is not null as is_disabled, array_to_json(array_agg(r.key order by r.id))::text as roles from memberships m join users u on u.id = m.user_id
                join membership_roles mr on mr.membership_id = m.id join roles r on r.id = mr.role_id where m.site_id = ? group by u.id, m.id order by lower(u.name), u.id',
            [$this->site->id],
        );
        $of = [];
        foreach ($people as $row) {
            $of[$row->ulid] = new Person($row->ulid, $row->name, array_values(json_decode($row->roles, true)), $row->is_disabled);
        }
        $lines = array_map(self::line(...), $this->db->select(self::LINES, [$this->site->id]));
        $roles = Role::query()->where('site_id', $this->site->id)->orderBy('id')->get()->map(static fn (Role $role): CoreRole => $role->onSite());

        return new SiteAccess(array_column($roles->all(), null, 'key'), $of, SiteAccess::keyed($lines));
    }

    public function nameOf(string $person): ?string
    {
        return User::query()->where('ulid', $person)->value('name');
    }

    /** @return array{RightsOfPerson, array<int, string>} what somebody may do, and the branches that are spoken of by the keys of their pages */
    public function ofPerson(User $user): array
    {
        $keys = $this->db->select(
            KeptPlans::MARK.'select r.id, r.key, r.needs_second_step and u.second_step_since is null as lacks from memberships m
                join users u on u.id = m.user_id join membership_roles mr on mr.membership_id = m.id join roles r on r.id = mr.role_id
                where m.site_id = ? and m.user_id = ? and m.disabled_at is null',
            [$this->site->id, $user->id],
        );
        // Whoever lacks the second step that a role of theirs asks for is let in nowhere until they have it.
        if ($keys === [] || in_array(true, array_column($keys, 'lacks'), true)) {
            return [RightsOfPerson::none(), []];
        }
        $rows = $this->db->select(KeptPlans::MARK.self::LINES.' and (l.user_id = ? or l.role_id = any(?::bigint[]))', [
            $this->site->id,
            $user->id,
            PgArray::of(array_column($keys, 'id')),
        ]);
        $person = new Person($user->ulid, $user->name, array_column($keys, 'key'));
        $branches = array_column(array_filter($rows, static fn (\stdClass $row): bool => $row->branch_id !== null), 'branch', 'branch_id');

        return [RightsOfPerson::of($person, array_map(self::line(...), $rows)), $branches];
    }

    /** @return array{RightsOfPerson, array<int, string>} the same for a role by itself, or for somebody who is let in */
    public function ofWho(Who $who): array
    {
        $access = $this->access();
        $person = $who->isRole ? new Person('', '', [$who->id]) : $access->people[$who->id] ?? null;
        if ($person === null) {
            return [RightsOfPerson::none(), []];
        }
        $rights = RightsOfPerson::of($person, $access->lines);
        $branches = $rights->branches();

        return [
            $rights,
            $branches === [] ? [] : Page::query()->where('site_id', $this->site->id)->whereIn('ulid', $branches)->pluck('ulid', 'id')->all(),
        ];
    }

    public function write(AccessDifference $difference): void
    {
        foreach ($difference->roles() as $key => [$before, $after]) {
            match (true) {
                $before === null => Role::query()->create(['site_id' => $this->site->id, 'key' => $key, 'name' => $after]),
                $after === null => null, // once nobody has it any more
                default => Role::query()
                    ->where('site_id', $this->site->id)
                    ->where('key', $key)
                    ->update(['name' => $after]),
            };
        }
        foreach ($difference->people() as $id => [$before, $after]) {
            $this->setRoles((string) $id, $after);
        }
        $this->say($difference->lines());
        $gone = array_keys(array_filter($difference->roles(), static fn (array $names): bool => $names[1] === null));
        Role::query()->where('site_id', $this->site->id)->whereIn('key', array_map(strval(...), $gone))->delete();
    }

    /** @param  list<string>  $roles  keys */
    private function setRoles(string $person, array $roles): void
    {
        $user = User::query()->where('ulid', $person)->first();
        if ($user === null) {
            return;
        }
        if ($roles === []) {
            Membership::query()->where('site_id', $this->site->id)->where('user_id', $user->id)->delete();

            return;
        }
        $membership = Membership::query()->firstOrCreate(['site_id' => $this->site->id, 'user_id' => $user->id]);
        $membership->roles()->sync(Role::query()->where('site_id', $this->site->id)->whereIn('key', $roles)->pluck('id')->all());
    }

    /**
     * Lines about somebody or a branch that is gone are written nowhere.
     *
     * @param  iterable<array{line: Line, after: Says|null, ...}>  $lines
     */
    private function say(iterable $lines): void
    {
        $said = [];
        foreach ($lines as ['line' => $line, 'after' => $after]) {
            $said[] = [
                $line->who->isRole ? 'role' : 'person' => $line->who->id,
                'branch' => $line->branch,
                'right' => $line->right->value,
                'says' => $after?->value,
            ];
        }
        if ($said === []) {
            return;
        }
        $this->db->statement(
            <<<'SQL'
            with said as (
                select r.id as role_id, u.id as user_id, p.id as page_id, s."right", s.says
                from jsonb_to_recordset(?::jsonb) as s(role text, person text, branch text, "right" text, says text)
                left join roles r on r.site_id = ? and r.key = s.role left join users u on u.ulid = s.person
                left join pages p on p.site_id = ? and p.ulid = s.branch
                where coalesce(r.id, u.id) is not null and (s.branch is null or p.id is not null)
            ), unsaid as (
                delete from right_lines l using said s where s.says is null and l.site_id = ? and l."right" = s."right"
                    and l.role_id is not distinct from s.role_id and l.user_id is not distinct from s.user_id and l.page_id is not distinct from s.page_id
            )
            insert into right_lines (site_id, role_id, user_id, page_id, "right", says)
            select ?, role_id, user_id, page_id, "right", says from said where says is not null
            on conflict (site_id, role_id, user_id, page_id, "right") do update set says = excluded.says
            SQL
            ,
            [json_encode($said, JSON_THROW_ON_ERROR), ...array_fill(0, 4, $this->site->id)],
        );
    }

    private static function line(\stdClass $row): Line
    {
        return new Line(
            $row->role === null ? Who::person($row->person) : Who::role($row->role),
            $row->branch,
            Right::from($row->right),
            Says::from($row->says),
        );
    }
}
