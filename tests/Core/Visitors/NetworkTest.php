<?php

declare(strict_types=1);

namespace Tests\Core\Visitors;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Visitors\Network;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class NetworkTest extends TestCase
{
    use TestTrait;

    /** @return iterable<string, array{string, string, string, string}> typed, as it is written, an address within, one outside */
    public static function networks(): iterable
    {
        yield 'IPv4' => ['192.0.2.17/24', '192.0.2.0/24', '192.0.2.255', '192.0.3.0'];
        yield 'a prefix inside of a byte' => ['10.1.255.0/20', '10.1.240.0/20', '10.1.240.1', '10.1.239.255'];
        yield 'one address' => ['203.0.113.9', '203.0.113.9/32', '203.0.113.9', '203.0.113.8'];
        yield 'all of IPv4, and nothing else' => ['0.0.0.0/0', '0.0.0.0/0', '255.255.255.255', '::1'];
        yield 'IPv6' => ['2001:DB8:0:0::/32', '2001:db8::/32', '2001:db8:ffff::1', '2001:db9::'];
        yield 'one IPv6 address' => ['::1', '::1/128', '0:0:0:0:0:0:0:1', '::2'];
        yield 'IPv4 carried in IPv6' => ['::ffff:192.0.2.0/120', '192.0.2.0/24', '192.0.2.3', '192.0.3.3'];
        yield 'an address that comes carried in IPv6' => ['192.0.2.0/24', '192.0.2.0/24', '::ffff:192.0.2.3', '::ffff:192.0.3.3'];
        yield 'spaces around it' => [' 198.51.100.0/25 ', '198.51.100.0/25', '198.51.100.127', '198.51.100.128'];
    }

    #[Test]
    #[DataProvider('networks')]
    public function a_network_holds_the_addresses_that_begin_as_it_does(string $typed, string $written, string $within, string $outside): void
    {
        $network = Network::read($typed, 'networks.0');
        self::assertSame($written, $network->toText());
        self::assertTrue($network->contains($within), $within);
        self::assertFalse($network->contains($outside), $outside);
        self::assertSame($written, Network::read($network->toText(), 'networks.0')->toText());
    }

    /** @return iterable<string, array{string}> */
    public static function noNetworks(): iterable
    {
        foreach (
            [
                '',
                '192.0.2',
                '192.0.2.0/33',
                '192.0.2.0/-1',
                '192.0.2.0/024',
                '192.0.2.0/',
                '192.0.2.0/24/24',
                '2001:db8::/129',
                'office',
                '::ffff:192.0.2.0/24',
                '192.0.2.0/1e1',
                '010.0.0.1',
            ] as $typed
        ) {
            yield $typed => [$typed];
        }
    }

    #[Test]
    #[DataProvider('noNetworks')]
    public function what_is_no_network_is_refused_with_its_field(string $typed): void
    {
        try {
            Network::read($typed, 'networks.3');
            self::fail("“{$typed}” was taken for a network.");
        } catch (InputRefused $refused) {
            self::assertSame('networks.3', $refused->field);
        }
    }

    #[Test]
    public function what_is_no_address_is_in_no_network(): void
    {
        foreach (['', 'unknown', "192.0.2.1\0", '192.0.2.1:80'] as $address) {
            self::assertFalse(Network::read('0.0.0.0/0', 'n')->contains($address), $address);
        }
    }

    #[Test]
    public function it_agrees_with_counting_in_whole_numbers(): void
    {
        $this->forAll(Generators::choose(0, 0xFFFFFFFF), Generators::choose(0, 0xFFFFFFFF), Generators::choose(0, 32))->then(function (
            int $one,
            int $other,
            int $bits,
        ): void {
            // Of addresses that are drawn at random hardly any are near each other.
            foreach ([$other, $one ^ ($other & 0xFF), $one ^ (1 << (31 - min($bits, 31)))] as $address) {
                $mask = $bits === 0 ? 0 : (0xFFFFFFFF << (32 - $bits)) & 0xFFFFFFFF;
                self::assertSame(
                    ($one & $mask) === ($address & $mask),
                    Network::read(long2ip($one)."/$bits", 'n')->contains(long2ip($address)),
                    long2ip($one)."/$bits ".long2ip($address),
                );
            }
        });
    }
}
