<?php

declare(strict_types=1);

namespace Tests\Core\Visitors;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Moment;
use Heronstem\Core\Visitors\Gates;
use Heronstem\Core\Visitors\Guest;
use Heronstem\Core\Visitors\Others;
use Heronstem\Core\Visitors\PageAccess;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Whom a page lets in, and what the others get. */
final class PageAccessTest extends TestCase
{
    use TestTrait;

    private const PAGE = '01J00000000000000000000PAG';

    #[Test]
    public function each_way_lets_in_those_whom_it_names(): void
    {
        $crew = self::read(['to' => 'some', 'roles' => ['crew', 'office']]);
        self::assertTrue($crew->admits(new Guest(true, ['crew'])));
        self::assertFalse($crew->admits(new Guest(true, ['press'])));
        self::assertFalse($crew->admits(new Guest(false, ['crew'])), 'Roles are of those who are signed in.');

        $signed = self::read(['to' => 'some', 'signedIn' => true]);
        self::assertTrue($signed->admits(new Guest(true)));
        self::assertFalse($signed->admits(Guest::anybody()));

        $office = self::read(['to' => 'some', 'networks' => ['192.0.2.0/24', '2001:db8::/32']]);
        self::assertTrue($office->admits(new Guest(address: '2001:db8::7')));
        self::assertFalse($office->admits(new Guest(address: '198.51.100.1')));

        $press = self::read(['to' => 'some', 'password' => 'gannet-at-noon']);
        self::assertTrue($press->admits(new Guest(passwords: [(string) $press->password?->kept])));
        self::assertFalse($press->admits(Guest::anybody()));
        self::assertTrue($press->password?->isRight('gannet-at-noon'));
        self::assertFalse($press->password->isRight('Gannet-at-noon'));

        self::assertTrue(self::read(['to' => 'everyone'])->admits(Guest::anybody()));
        self::assertFalse(self::read(['to' => 'nobody'])->admits(new Guest(true, ['crew'], '192.0.2.1')));
    }

    #[Test]
    public function several_ways_are_one_or_all(): void
    {
        $given = ['to' => 'some', 'signedIn' => true, 'networks' => ['192.0.2.0/24']];
        $guests = [new Guest(true), new Guest(address: '192.0.2.1'), new Guest(true, address: '192.0.2.1'), Guest::anybody()];
        $admitted = static fn (PageAccess $access): array => array_map(static fn (Guest $guest): bool => $access->admits($guest), $guests);
        self::assertSame([true, true, true, false], $admitted(self::read($given)));
        self::assertSame([false, false, true, false], $admitted(self::read([...$given, 'all' => true])));
    }

    #[Test]
    public function others_get_a_form_only_where_it_could_let_them_in(): void
    {
        $crew = self::read(['to' => 'some', 'roles' => ['crew']]);
        self::assertSame(Others::SignIn, $crew->answerTo(Guest::anybody()));
        self::assertSame(Others::Refused, $crew->answerTo(new Guest(true, ['press'])), 'Who is signed in need not sign in.');
        $both = self::read(['to' => 'some', 'password' => 'gannet-at-noon', 'networks' => ['192.0.2.0/24'], 'all' => true]);
        self::assertSame(Others::Password, $both->answerTo(new Guest(address: '192.0.2.1')));
        self::assertSame(Others::Refused, $both->answerTo(new Guest(address: '198.51.100.1')));
        self::assertSame(Others::Missing, self::read(['to' => 'nobody', 'others' => 'missing'])->answerTo(Guest::anybody()));
    }

    /** @return iterable<string, array{array<mixed>, string}> */
    public static function refused(): iterable
    {
        yield 'nothing' => [[], 'to'];
        yield 'a word of its own' => [['to' => 'friends'], 'to'];
        yield 'some without saying who' => [['to' => 'some'], 'to'];
        yield 'an unknown field' => [['to' => 'everyone', 'colour' => 'red'], 'colour'];
        yield 'no list of roles' => [['to' => 'some', 'roles' => 'crew'], 'roles'];
        yield 'a role that is no name' => [['to' => 'some', 'roles' => ['crew', '<b>']], 'roles.1'];
        yield 'a role that is a list' => [['to' => 'some', 'roles' => [['crew']]], 'roles'];
        yield 'a network that is none' => [['to' => 'some', 'networks' => ['192.0.2.0/24', 'office']], 'networks.1'];
        yield 'a password too short' => [['to' => 'some', 'password' => 'short'], 'password'];
        yield 'a password that is kept, and is not there' => [['to' => 'some', 'password' => true], 'password'];
        yield 'signing in that lets nobody in' => [['to' => 'some', 'networks' => ['192.0.2.0/24'], 'others' => 'sign-in'], 'others'];
        yield 'asking for no password' => [['to' => 'nobody', 'others' => 'password'], 'others'];
        yield 'an answer of its own' => [['to' => 'nobody', 'others' => 'redirect'], 'others'];
        yield 'an end before the beginning' => [['to' => 'nobody', 'from' => '2027-05-03', 'until' => '2027-05-02'], 'until'];
        yield 'no moment' => [['to' => 'nobody', 'from' => 'soon'], 'from'];
        yield 'a number for a moment' => [['to' => 'nobody', 'from' => 5], 'from'];
        yield 'a text for a flag' => [['to' => 'some', 'signedIn' => 'yes'], 'signedIn'];
    }

    /** @param  array<mixed>  $given */
    #[Test]
    #[DataProvider('refused')]
    public function what_makes_no_sense_is_refused_with_its_field(array $given, string $field): void
    {
        try {
            self::read($given);
            self::fail('It was taken.');
        } catch (InputRefused $refused) {
            self::assertSame($field, $refused->field);
        }
    }

    #[Test]
    public function a_password_stays_when_it_is_said_to(): void
    {
        $before = self::read(['to' => 'some', 'password' => 'gannet-at-noon']);
        $after = PageAccess::read(['to' => 'some', 'password' => true, 'others' => 'missing'], self::PAGE, 'UTC', $before);
        self::assertSame($before->password?->kept, $after->password?->kept);
        self::assertStringNotContainsString('gannet', $after->toText());
    }

    #[Test]
    public function it_is_read_back_as_it_was_kept(): void
    {
        foreach (
            [
                ['to' => 'everyone', 'until' => '2027-05-03T06:00'],
                ['to' => 'nobody', 'others' => 'missing'],
                [
                    'to' => 'some',
                    'roles' => ['crew'],
                    'networks' => ['192.0.2.0/24'],
                    'password' => 'gannet-at-noon',
                    'all' => true,
                    'from' => '2027-05-03',
                ],
            ] as $given
        ) {
            $access = self::read($given);
            self::assertSame($access->toText(), PageAccess::stored($access->toText())?->toText());
        }
        self::assertNull(PageAccess::stored(null));
        self::assertSame('nobody', PageAccess::stored('{"to":"unheard of"}')?->to, 'What cannot be read lets nobody in.');
    }

    #[Test]
    public function the_nearest_that_says_something_at_the_moment_decides(): void
    {
        $closed = self::read(['to' => 'nobody', 'from' => '2027-05-03T06:00', 'until' => '2027-05-04T06:00']);
        $crew = self::read(['to' => 'some', 'signedIn' => true]);
        $at = static fn (string $time): ?PageAccess => PageAccess::at(Moment::read($time, 'UTC', 't'), [null, $closed, null, $crew, null]);
        self::assertSame($crew, $at('2027-05-03T05:59:59'));
        self::assertSame($closed, $at('2027-05-03T06:00'));
        self::assertSame($closed, $at('2027-05-04T05:59:59'));
        self::assertSame($crew, $at('2027-05-04T06:00'));
        self::assertNull(PageAccess::at(Moment::at(0), [null, null]));
        self::assertSame([$closed, $crew], PageAccess::line([null, $closed, $crew, self::read(['to' => 'nobody'])]));
    }

    /** Gates over a tree are the same as looking upwards from each page. */
    #[Test]
    public function gates_say_the_same_as_looking_upwards(): void
    {
        $kinds = [
            null,
            ['to' => 'nobody'],
            ['to' => 'everyone'],
            ['to' => 'some', 'signedIn' => true],
            ['to' => 'some', 'networks' => ['192.0.2.0/24'], 'until' => '2027-01-01'],
            ['to' => 'nobody', 'from' => '2027-01-01', 'others' => 'missing'],
        ];
        $this->forAll(
            Generators::vector(12, Generators::tuple(Generators::choose(0, 11), Generators::choose(0, 5))),
            Generators::elements(new Guest(), new Guest(true), new Guest(address: '192.0.2.9')),
            Generators::elements('2026-06-01', '2027-01-01', '2027-06-01'),
        )->then(function (array $tree, Guest $guest, string $time) use ($kinds): void {
            $moment = Moment::read($time, 'UTC', 't');
            $said = array_map(static fn (array $page): ?PageAccess => $kinds[$page[1]] === null ? null : self::read($kinds[$page[1]]), $tree);
            // A page stands below one of a lower number, or at the top.
            $above = static fn (int $n): ?int => $tree[$n][0] < $n ? $tree[$n][0] : null;
            $gates = [];
            $nearest = static function (?int $n) use ($said, $above): ?int {
                for (; $n !== null && $said[$n] === null; $n = $above($n));

                return $n;
            };
            foreach (array_filter($said) as $n => $access) {
                $gates[$n] = ['access' => $access, 'above' => $nearest($above($n))];
            }
            $gates = new Gates($gates);
            $open = $gates->openTo($guest, $moment);
            foreach (array_keys($tree) as $n) {
                $isOpen = true;
                for ($at = $n; $at !== null; $at = $above($at)) {
                    if ($said[$at]?->holdsAt($moment) === true) {
                        $isOpen = $said[$at]->admits($guest);
                        break;
                    }
                }
                $gate = $nearest($n);
                self::assertSame($isOpen, $gate === null || in_array($gate, $open, true), "page $n");
            }
            foreach ($gates->hiddenFrom($guest, $moment) as $gate) {
                self::assertNotContains($gate, $open);
            }
        });
    }

    /** @param  array<mixed>  $given */
    private static function read(array $given): PageAccess
    {
        return PageAccess::read($given, self::PAGE, 'UTC', null);
    }
}
