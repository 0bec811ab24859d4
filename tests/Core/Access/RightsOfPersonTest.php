<?php

declare(strict_types=1);

namespace Tests\Core\Access;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Access\Line;
use Heronstem\Core\Access\Person;
use Heronstem\Core\Access\Reason;
use Heronstem\Core\Access\Right;
use Heronstem\Core\Access\RightsOfPerson;
use Heronstem\Core\Access\Role;
use Heronstem\Core\Access\Says;
use Heronstem\Core\Access\SiteAccess;
use Heronstem\Core\Access\Who;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** The rule of rights: the nearest branch decides; there one's own line, then a denial; nothing said is no. */
final class RightsOfPersonTest extends TestCase
{
    use TestTrait;

    private const BRANCHES = ['Islands', 'Farra', 'Harbour'];

    private function rights(Line ...$lines): RightsOfPerson
    {
        return RightsOfPerson::of(new Person('Isla', 'Isla', ['writer', 'office']), [
            self::line('role:writer', null, Says::Allow, Right::See),
            ...$lines,
        ]);
    }

    private static function line(string $who, ?string $branch, Says $says, Right $right = Right::Publish): Line
    {
        return new Line(Who::read($who, 'who'), $branch, $right, $says);
    }

    #[Test]
    public function nothing_said_is_no(): void
    {
        $verdict = $this->rights()->on(Right::Publish, ['Farra', 'Islands']);
        self::assertFalse($verdict->isYes);
        self::assertSame(Reason::NothingSaid, $verdict->reason);
        self::assertFalse(
            $this->rights(self::line('role:others', null, Says::Allow), self::line('person:Ina', null, Says::Allow))->may(Right::Publish),
        );
    }

    #[Test]
    public function the_nearest_branch_that_says_something_decides(): void
    {
        $rights = $this->rights(
            self::line('role:office', null, Says::Deny),
            self::line('role:office', 'Islands', Says::Allow),
            self::line('role:office', 'Harbour', Says::Deny),
        );
        self::assertFalse($rights->may(Right::Publish));
        self::assertTrue($rights->may(Right::Publish, ['Farra', 'Islands']));
        self::assertFalse($rights->may(Right::Publish, ['Harbour', 'Farra', 'Islands']));
        self::assertSame('Harbour', $rights->on(Right::Publish, ['Harbour', 'Islands'])->line?->branch);
        self::assertTrue($rights->maySomewhere(Right::Publish));
        self::assertFalse($rights->mayEverywhere(Right::Publish));
    }

    #[Test]
    public function on_one_level_a_denial_wins_and_ones_own_line_before_both(): void
    {
        $both = [self::line('role:writer', 'Islands', Says::Allow), self::line('role:office', 'Islands', Says::Deny)];
        self::assertFalse($this->rights(...$both)->may(Right::Publish, ['Islands']));
        self::assertFalse($this->rights(...array_reverse($both))->may(Right::Publish, ['Islands']));
        self::assertTrue($this->rights(self::line('person:Isla', 'Islands', Says::Allow), ...$both)->may(Right::Publish, ['Islands']));
        $own = self::line('person:Isla', 'Islands', Says::Deny);
        self::assertFalse($this->rights(...[$both[0], $own])->may(Right::Publish, ['Islands']));
        self::assertFalse(
            $this->rights(self::line('person:Isla', null, Says::Allow), ...$both)->may(Right::Publish, ['Islands']),
            'It says it further away.',
        );
    }

    #[Test]
    public function whoever_may_not_see_may_do_nothing(): void
    {
        $rights = $this->rights(self::line('role:office', null, Says::Allow), self::line('person:Isla', null, Says::Deny, Right::See));
        self::assertFalse($rights->may(Right::Publish));
        self::assertSame(Reason::NotSeen, $rights->on(Right::Publish)->reason);
        self::assertFalse($rights->changesSomething());
    }

    #[Test]
    public function a_branch_that_is_not_seen_is_out_of_reach_and_an_exception_inside_of_it_is_not(): void
    {
        $rights = $this->rights(
            self::line('role:office', null, Says::Allow),
            self::line('role:office', null, Says::Allow, Right::Menus),
            self::line('role:office', 'Islands', Says::Deny, Right::See),
            self::line('person:Isla', 'Harbour', Says::Allow, Right::See),
        );
        self::assertTrue($rights->may(Right::Publish));
        self::assertSame(Reason::NotSeen, $rights->on(Right::Publish, ['Islands'])->reason);
        self::assertTrue($rights->may(Right::Publish, ['Harbour', 'Farra', 'Islands']));
        self::assertFalse($rights->mayEverywhere(Right::Publish));
        self::assertTrue($rights->mayEverywhere(Right::Menus), 'What is held for a site takes that some of it is seen.');
        self::assertSame(['Islands' => false, 'Harbour' => true], $rights->seenBranches());
    }

    #[Test]
    public function nothing_is_allowed_in_a_place_that_is_not_seen_whatever_is_said(): void
    {
        $line = Generators::tuple(
            Generators::elements(['role:writer', 'role:office', 'person:Isla']),
            Generators::elements([null, ...self::BRANCHES]),
            Generators::elements(Says::cases()),
            Generators::elements([Right::See, Right::Publish, Right::Write]),
        );
        $this->forAll(Generators::seq($line), Generators::choose(0, 3))->then(function (array $given, int $deep): void {
            $lines = SiteAccess::keyed(array_map(static fn (array $one): Line => self::line(...$one), $given));
            $rights = RightsOfPerson::of(new Person('Isla', 'Isla', ['writer', 'office']), $lines);
            $around = array_reverse(array_slice(self::BRANCHES, 0, $deep));
            foreach ([Right::Publish, Right::Write] as $right) {
                $may = $rights->may($right, $around);
                self::assertTrue(! $may || $rights->may(Right::See, $around));
                self::assertTrue(! $may || $rights->maySomewhere($right), 'What may be done in a place may be done somewhere.');
                self::assertTrue($may || ! $rights->mayEverywhere($right));
            }
        });
    }

    #[Test]
    public function owners_may_do_everything_whatever_lines_say(): void
    {
        $owner = new Person('Greta', 'Greta', [Role::OWNER]);
        $rights = RightsOfPerson::of($owner, [
            self::line('person:Greta', null, Says::Deny),
            self::line('person:Greta', null, Says::Deny, Right::See),
        ]);
        foreach (Right::cases() as $right) {
            self::assertTrue($rights->mayEverywhere($right));
        }
        self::assertSame(Reason::Owner, $rights->on(Right::Code)->reason);
    }

    #[Test]
    public function what_is_held_for_a_site_asks_no_branch(): void
    {
        $rights = $this->rights(self::line('role:office', 'Islands', Says::Allow, Right::Menus));
        self::assertFalse($rights->may(Right::Menus, ['Islands']));
        self::assertTrue($this->rights(self::line('role:office', null, Says::Allow, Right::Menus))->may(Right::Menus, ['Islands']));
    }

    #[Test]
    public function whatever_is_said_the_answer_is_what_the_rule_says_in_so_many_words(): void
    {
        $line = Generators::tuple(
            Generators::elements(['role:writer', 'role:office', 'role:others', 'person:Isla', 'person:Ina']),
            Generators::elements([null, ...self::BRANCHES]),
            Generators::elements(Says::cases()),
        );
        $this->forAll(Generators::seq($line), Generators::choose(0, 3))->then(function (array $given, int $deep): void {
            $lines = SiteAccess::keyed(array_map(static fn (array $one): Line => self::line(...$one), $given));
            // A place inside of the first, the first two, or all of them; or of none.
            $around = array_reverse(array_slice(self::BRANCHES, 0, $deep));
            self::assertSame($this->bySaying($lines, $around), $this->rights(...array_values($lines))->may(Right::Publish, $around));
        });
    }

    /**
     * @param  array<string, Line>  $lines
     * @param  list<string>  $around
     */
    private function bySaying(array $lines, array $around): bool
    {
        foreach ([...$around, null] as $level) {
            $said = static fn (string $who): array => array_map(
                static fn (Line $line): Says => $line->says,
                array_values(array_filter($lines, static fn (Line $line): bool => $line->branch === $level && $line->who->toText() === $who)),
            );
            $own = $said('person:Isla');
            $ofRoles = [...$said('role:writer'), ...$said('role:office')];
            foreach ([$own, $ofRoles] as $these) {
                if ($these !== []) {
                    return ! in_array(Says::Deny, $these, true);
                }
            }
        }

        return false;
    }
}
