<?php

declare(strict_types=1);

namespace Tests\Core\Address;

use Heronstem\Core\Address\Host;
use Heronstem\Core\Address\InvalidAddress;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class HostTest extends TestCase
{
    /** @return iterable<array{string, string}> */
    public static function spellings(): iterable
    {
        yield ['www.skerrivane.example', 'www.skerrivane.example'];
        yield ['WWW.Skerrivane.EXAMPLE', 'www.skerrivane.example'];
        yield ['fähre.example', 'xn--fhre-loa.example'];
        yield ["fa\u{308}hre.example:8080", 'xn--fhre-loa.example:8080'];
        yield ['straße.example', 'xn--strae-oqa.example'];
        yield ['xn--fhre-loa.example', 'xn--fhre-loa.example'];
        yield ['ｆｅｒｒｙ。example', 'ferry.example'];
        yield ['127.0.0.1:8081', '127.0.0.1:8081'];
        yield ['localhost.', 'localhost'];
    }

    #[Test, DataProvider('spellings')]
    public function every_spelling_of_a_host_has_one_ascii_form(string $typed, string $authority): void
    {
        self::assertSame($authority, Host::of($typed)->authority());
        self::assertSame($authority, Host::of($authority)->authority());
    }

    /** @return iterable<array{string}> */
    public static function refused(): iterable
    {
        yield [''];
        yield ['.'];
        yield ['a b.example'];
        yield ['under_score.example'];
        yield ['xn--a.example'];
        yield ['ferry.example:99999'];
        yield ['ferry.example:0'];
        yield [str_repeat('a', 64).'.example'];
    }

    #[Test, DataProvider('refused')]
    public function what_no_host_can_be_called_is_refused(string $typed): void
    {
        $this->expectException(InvalidAddress::class);
        Host::of($typed);
    }
}
