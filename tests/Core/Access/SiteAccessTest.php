<?php

declare(strict_types=1);

namespace Tests\Core\Access;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Access\AccessDifference;
use Heronstem\Core\Access\Person;
use Heronstem\Core\Access\Right;
use Heronstem\Core\Access\Role;
use Heronstem\Core\Access\Says;
use Heronstem\Core\Access\SiteAccess;
use Heronstem\Core\Access\Who;
use Heronstem\Core\InputRefused;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Roles, people and lines of a site as one value: what it refuses, and how one becomes another and goes back. */
final class SiteAccessTest extends TestCase
{
    use TestTrait;

    private SiteAccess $access;

    protected function setUp(): void
    {
        $this->access = SiteAccess::begun()
            ->withPerson('Greta', [Role::OWNER], 'Greta')
            ->withPerson('Mairi', [Role::MANAGER], 'Mairi')
            ->withPerson('Isla', [Role::WRITER], 'Isla');
    }

    #[Test]
    public function a_role_is_made_like_another_and_goes_when_nobody_has_it(): void
    {
        $made = $this->access->withRole('office', ' Island   offices ', Role::WRITER);
        self::assertSame('Island offices', $made->roles['office']->name);
        self::assertCount(count($made->linesOf(Who::role(Role::WRITER))), $made->linesOf(Who::role('office')));
        $given = $made->withPerson('Isla', ['office']);
        $this->refused('role', 'Isla has this role', fn () => $given->withoutRole('office'));
        self::assertEquals($this->access, $made->withoutRole('office'));
    }

    #[Test]
    public function what_makes_no_sense_is_refused_with_the_reason(): void
    {
        $office = Who::role('office');
        $this->refused('lines.0.who', 'no such role', fn () => $this->access->says($office, null, Right::Write, Says::Allow, 'lines.0'));
        $this->refused(
            'lines.0.who',
            'nobody is locked out',
            fn () => $this->access->says(Who::role(Role::OWNER), null, Right::See, Says::Deny, 'lines.0'),
        );
        $this->refused(
            'lines.0.branch',
            'whole site',
            fn () => $this->access->says(Who::role(Role::WRITER), 'P', Right::Menus, Says::Allow, 'lines.0'),
        );
        $this->refused('name', 'already', fn () => $this->access->withRole('x', 'wRiter'));
        $this->refused('name', 'at most 60', fn () => $this->access->withRoleNamed(Role::WRITER, '  '));
        $this->refused('like', 'cannot be copied', fn () => $this->access->withRole('x', 'X', Role::OWNER));
        $this->refused('role', 'always', fn () => $this->access->withPerson('Ada', [Role::OWNER], 'Ada')->withoutRole(Role::OWNER));
        $this->refused('roles.0', 'no such role', fn () => $this->access->withPerson('Isla', ['none']));
        $this->refused('roles', 'last owner', fn () => $this->access->withPerson('Greta', []));
        $this->refused('roles', 'last owner', fn () => $this->access->withPerson('Greta', [Role::READER]));
        self::assertCount(
            1,
            $this->access
                ->withPerson('Ada', [Role::OWNER], 'Ada')
                ->withPerson('Greta', [])
                ->owners(),
        );
    }

    #[Test]
    public function whoever_leaves_takes_the_lines_of_their_own_along(): void
    {
        $said = $this->access->says(Who::person('Isla'), 'Farra', Right::Publish, Says::Allow, 'lines.0');
        self::assertTrue($said->rightsOf('Isla')->may(Right::Publish, ['Farra']));
        self::assertEquals($this->access->withPerson('Isla', []), $said->withPerson('Isla', []));
        self::assertFalse($said->withPerson('Isla', [])->rightsOf('Isla')->may(Right::See));
    }

    #[Test]
    public function an_owner_who_is_let_in_no_longer_counts_for_nobody_and_keeps_their_roles(): void
    {
        $ada = new Person('Ada', 'Ada', [Role::OWNER], isDisabled: true);
        $access = new SiteAccess($this->access->roles, [...$this->access->people, 'Ada' => $ada], $this->access->lines);
        self::assertSame(['Greta'], array_column($access->owners(), 'id'));
        $this->refused('roles', 'last owner', fn () => $access->withPerson('Greta', [Role::READER]));
        self::assertTrue($access->withPerson('Ada', [Role::OWNER, Role::WRITER])->people['Ada']->isDisabled);

        $demoted = AccessDifference::between($access, $later = $access->withPerson('Ada', [Role::WRITER]));
        self::assertEquals($access, $demoted?->undoneOn($later), 'Undoing gives the role back, and does not let them in.');
    }

    #[Test]
    public function undoing_leaves_what_was_set_since_and_the_last_owner(): void
    {
        $later = $this->access->says(Who::role(Role::WRITER), null, Right::Publish, Says::Allow, 'lines.0');
        $difference = AccessDifference::between($this->access, $later);
        self::assertNotNull($difference);
        self::assertEquals($this->access, $difference->undoneOn($later));
        self::assertTrue($difference->canBeUndoneOn($later));
        $since = $later->says(Who::role(Role::WRITER), null, Right::Publish, Says::Deny, 'lines.0');
        self::assertEquals($since, $difference->undoneOn($since));
        self::assertFalse($difference->canBeUndoneOn($since));

        // In which order roles are read back says nothing.
        $given = AccessDifference::between($this->access, $this->access->withPerson('Isla', [Role::WRITER, Role::READER]));
        $read = $this->access->withPerson('Isla', [Role::READER, Role::WRITER]);
        self::assertEquals($this->access, $given?->undoneOn($read));
        self::assertTrue($given->canBeUndoneOn($read));

        $made = AccessDifference::between($this->access, $withAda = $this->access->withPerson('Ada', [Role::OWNER], 'Ada'));
        $alone = $withAda->withPerson('Greta', [Role::READER]);
        self::assertCount(1, $made?->undoneOn($alone)->owners() ?? []);
    }

    #[Test]
    public function whatever_is_changed_goes_back_to_what_it_was(): void
    {
        $step = Generators::tuple(Generators::choose(0, 4), Generators::choose(0, 5), Generators::choose(0, 12), Generators::choose(0, 2));
        $this->forAll(Generators::seq($step))->then(function (array $steps): void {
            $changed = $this->access;
            foreach ($steps as $one) {
                $changed = $this->stepped($changed, ...$one);
            }
            $difference = AccessDifference::between($this->access, $changed);
            if ($difference === null) {
                self::assertEquals($this->access, $changed);

                return;
            }
            $read = AccessDifference::fromArray(json_decode(json_encode($difference->toArray(), JSON_THROW_ON_ERROR), true));
            self::assertEquals($this->access, $read?->undoneOn($changed));
            self::assertNotSame([], $changed->owners());
        });
    }

    private function stepped(SiteAccess $access, int $what, int $which, int $right, int $how): SiteAccess
    {
        $roles = [Role::MANAGER, Role::WRITER, Role::READER, 'office', 'guides', Role::OWNER];
        $people = ['Greta', 'Mairi', 'Isla', 'Ada', 'Tam', 'Ina'];
        $branch = [null, 'Islands', 'Farra'][$how];
        try {
            return match ($what) {
                0 => $access->says(Who::role($roles[$which]), $branch, Right::cases()[$right], [null, ...Says::cases()][$which % 3], 'lines.0'),
                1 => $access->says(Who::person($people[$which]), $branch, Right::cases()[$right], [null, ...Says::cases()][$right % 3], 'lines.0'),
                2 => $access->withPerson($people[$which], $how === 0 ? [] : [$roles[$right % 6]], $people[$which]),
                3 => $access->withRole($roles[$which], "Role $which", $how === 0 ? null : $roles[$right % 3]),
                default => $how === 0 ? $access->withoutRole($roles[$which]) : $access->withRoleNamed($roles[$which], "Named $right"),
            };
        } catch (InputRefused) {
            return $access;
        }
    }

    private function refused(string $field, string $reason, callable $try): void
    {
        try {
            $try();
            self::fail("Not refused: $reason");
        } catch (InputRefused $refused) {
            self::assertSame($field, $refused->field);
            self::assertStringContainsString($reason, $refused->reason);
        }
    }
}
