<?php

declare(strict_types=1);

namespace Tests\Core\Visitors;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Visitors\PagePassword;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Passwords that open pages. */
final class PagePasswordTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function a_password_opens_the_page_it_was_set_for_and_is_kept_as_its_key(): void
    {
        $set = PagePassword::set('puffin at noon', 'A');

        self::assertTrue($set->isRight('puffin at noon'));
        foreach (['Puffin at noon', 'puffin at noon ', '', 'puffin', str_repeat('x', 10_000)] as $wrong) {
            self::assertFalse($set->isRight($wrong));
        }
        self::assertStringNotContainsString('puffin', $set->kept);
        self::assertSame($set->kept, PagePassword::set('puffin at noon', 'A')->kept, 'One change has one outcome.');
        self::assertNotSame($set->kept, PagePassword::set('puffin at noon', 'B')->kept, 'One password on two pages is not seen to be one.');
        self::assertTrue(PagePassword::stored($set->kept)?->isRight('puffin at noon'));
    }

    #[Test]
    public function what_is_no_key_is_none(): void
    {
        $kept = PagePassword::set('puffin at noon', 'A')->kept;
        foreach ([null, 1, [], '', strtoupper($kept), "$kept\n", substr($kept, 1), str_replace('.', ':', $kept)] as $odd) {
            self::assertNull(PagePassword::stored($odd));
        }
    }

    #[Test]
    #[TestWith(['seven c'])]
    #[TestWith([' puffin at noon'])]
    #[TestWith(["puffin at noon\n"])]
    #[TestWith(["puffin\xff at noon"])]
    public function a_password_that_nobody_could_type_again_is_refused(string $typed): void
    {
        $this->expectException(InputRefused::class);
        PagePassword::set($typed, 'A');
    }

    #[Test]
    public function passwords_are_as_long_as_people_count_them(): void
    {
        $this->limitTo(5)
            ->forAll(Generators::choose(8, 200))
            ->then(function (int $length): void {
                $typed = str_repeat('é', $length);
                self::assertTrue(PagePassword::set($typed, 'A')->isRight($typed));
            });
        $this->expectException(InputRefused::class);
        PagePassword::set(str_repeat('é', 201), 'A');
    }
}
