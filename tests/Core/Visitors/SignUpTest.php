<?php

declare(strict_types=1);

namespace Tests\Core\Visitors;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Visitors\SignUp;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Accounts that visitors make themselves. */
final class SignUpTest extends TestCase
{
    #[Test]
    public function roles_follow_from_the_domain_of_the_mail_address(): void
    {
        $signUp = SignUp::read(['open' => 'everyone', 'roles' => ['reader'], 'byDomain' => [' @Skerrivane.Example ' => ['islander', 'reader']]]);

        self::assertSame(['reader', 'islander'], $signUp->rolesFor('ann@skerrivane.example'));
        self::assertSame(['reader', 'islander'], $signUp->rolesFor('Ann@SKERRIVANE.example'));
        self::assertSame(['reader'], $signUp->rolesFor('ann@not-skerrivane.example'));
        self::assertSame(['reader'], $signUp->rolesFor('ann@skerrivane.example.elsewhere.example'));
        self::assertSame(['reader'], $signUp->rolesFor('skerrivane.example'));
        self::assertSame(['reader', 'islander'], $signUp->rolesFor('"a@b"@skerrivane.example'), 'The last sign counts.');
    }

    #[Test]
    public function what_was_set_is_kept_and_nobody_signs_up_where_nothing_was(): void
    {
        self::assertFalse(SignUp::stored(null)->isOpen());
        foreach ([SignUp::NOBODY, SignUp::EVERYONE, SignUp::APPROVAL] as $open) {
            $set = SignUp::read(['open' => $open, 'byDomain' => ['a.example' => ['crew']]]);
            self::assertEquals($set, SignUp::stored((string) json_encode($set->toArray())));
            self::assertSame($open !== SignUp::NOBODY, $set->isOpen());
        }
    }

    #[Test]
    #[TestWith([[], 'open'])]
    #[TestWith([['open' => 'perhaps'], 'open'])]
    #[TestWith([['open' => ['everyone']], 'open'])]
    #[TestWith([['open' => 'everyone', 'byDomain' => 'a.example'], 'byDomain'])]
    #[TestWith([['open' => 'everyone', 'byDomain' => ['a.example']], 'byDomain'])]
    #[TestWith([['open' => 'everyone', 'byDomain' => ['no domain' => []]], 'byDomain'])]
    #[TestWith([['open' => 'everyone', 'byDomain' => ['-a.example' => []]], 'byDomain'])]
    #[TestWith([['open' => 'everyone', 'byDomain' => ['localhost' => []]], 'byDomain'])]
    #[TestWith([['open' => 'everyone', 'byDomain' => ['a.example' => 'crew']], 'byDomain.a.example'])]
    #[TestWith([['open' => 'everyone', 'roles' => [['x']]], 'roles'])]
    public function what_makes_no_sense_is_refused_by_its_field(array $given, string $field): void
    {
        try {
            SignUp::read($given);
            self::fail('It was taken.');
        } catch (InputRefused $refused) {
            self::assertStringStartsWith($field, $refused->field);
            self::assertNotSame('', $refused->reason);
        }
    }

    #[Test]
    public function more_domains_than_are_looked_through_are_refused(): void
    {
        $domains = array_fill_keys(array_map(static fn (int $n): string => "d$n.example", range(1, 21)), ['crew']);
        $this->expectException(InputRefused::class);
        SignUp::read(['open' => 'everyone', 'byDomain' => $domains]);
    }
}
