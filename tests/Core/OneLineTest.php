<?php

declare(strict_types=1);

namespace Tests\Core;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\OneLine;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class OneLineTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function breaks_and_runs_of_spaces_become_one_space(): void
    {
        self::assertSame('Fares and times', OneLine::of(" Fares\n and\u{00A0}\t times "));
        self::assertSame('', OneLine::of("\xFF"), 'What is no UTF-8 is no text.');
    }

    #[Test]
    public function what_was_typed_keeps_its_letters_whatever_came_with_them(): void
    {
        self::assertSame('Fares and times', OneLine::typed("Fares\x00and\x07 times"));
        self::assertSame('Fares? times', OneLine::typed("Fares\xFF times"));
    }

    #[Test]
    public function a_line_stays_as_it_is(): void
    {
        $this->forAll(Generators::string())->then(function (string $text): void {
            $line = OneLine::typed($text);
            self::assertSame($line, OneLine::typed($line));
            self::assertSame($line, OneLine::of($line));
            self::assertDoesNotMatchRegularExpression('/[\x00-\x1F]|  |^ | $/', $line);
        });
    }
}
