<?php

declare(strict_types=1);

namespace Tests\Core\Access;

use Heronstem\Core\Access\MailAddress;
use Heronstem\Core\Access\PersonName;
use Heronstem\Core\InputRefused;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** What an account is known by: its mail address, and the name of whoever has it. */
final class AccountValuesTest extends TestCase
{
    #[Test]
    #[TestWith(['isla@skerrivane.example', 'isla@skerrivane.example'])]
    #[TestWith(["  Isla.Verrin+news@Skerrivane.Example\n", 'isla.verrin+news@skerrivane.example'])]
    public function a_mail_address_is_read_in_lower_case(string $typed, string $read): void
    {
        self::assertSame($read, MailAddress::read($typed));
    }

    #[Test]
    #[TestWith([''])]
    #[TestWith(['isla'])]
    #[TestWith(['isla@'])]
    #[TestWith(['isla@skerrivane.example, tam@skerrivane.example'])]
    #[TestWith(["isla@skerrivane.example\nBcc: all@skerrivane.example"])]
    #[TestWith(["isla\0@skerrivane.example"])]
    #[TestWith(["\xff@skerrivane.example"])]
    public function what_is_no_mail_address_is_refused_at_its_field(string $typed): void
    {
        self::assertNull(MailAddress::of($typed));
        try {
            MailAddress::read($typed, 'mail');
            self::fail('It was taken.');
        } catch (InputRefused $refused) {
            self::assertSame('mail', $refused->field);
        }
    }

    #[Test]
    public function an_address_has_the_length_that_mail_can_carry(): void
    {
        $of = static fn (int $length): string => 'i@'.implode('.', str_split(str_repeat('a', $length - 10 - intdiv($length - 10, 60)), 59)).'.example';
        self::assertNull(MailAddress::of($of(300)));
        self::assertNotNull(MailAddress::of($of(120)));
    }

    #[Test]
    public function a_name_is_one_line_of_at_most_a_hundred_characters(): void
    {
        self::assertSame('Isla Verrin', PersonName::read(" Isla\t\n Verrin "));
        self::assertSame(str_repeat('ø', 100), PersonName::read(str_repeat('ø', 100)));
        foreach (['', " \n ", str_repeat('ø', 101)] as $typed) {
            try {
                PersonName::read($typed);
                self::fail('It was taken.');
            } catch (InputRefused $refused) {
                self::assertSame('name', $refused->field);
            }
        }
    }
}
