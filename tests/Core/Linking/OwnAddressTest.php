<?php

declare(strict_types=1);

namespace Tests\Core\Linking;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Linking\OwnAddress;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class OwnAddressTest extends TestCase
{
    use TestTrait;

    /** @return iterable<string, array{string, string|null}> */
    public static function hrefs(): iterable
    {
        yield 'a path' => ['/travel/times', '/travel/times'];
        yield 'a path in another spelling' => ['/travel//times/', '/travel/times'];
        yield 'with query and fragment' => ['/travel?from=1#top', '/travel'];
        yield 'the whole URL' => ['https://www.ferries.example/travel', '/travel'];
        yield 'the whole URL, not encrypted' => ['http://WWW.ferries.example:80/travel', '/travel'];
        yield 'the site alone' => ['https://www.ferries.example', '/'];
        yield 'no scheme' => ['//www.ferries.example/travel', '/travel'];
        yield 'another host' => ['https://ferries.example/travel', null];
        yield 'another host, no scheme' => ['//elsewhere.example/travel', null];
        yield 'another port' => ['https://www.ferries.example:8443/travel', null];
        yield 'mail' => ['mailto:crew@ferries.example', null];
        yield 'within the page' => ['#times', null];
        yield 'longer than any address' => ['/'.str_repeat('a', 2001), null];
    }

    #[Test]
    #[DataProvider('hrefs')]
    public function a_link_leads_into_the_site_or_elsewhere(string $href, ?string $path): void
    {
        self::assertSame($path, (new OwnAddress(new AddressRules(), 'https://www.ferries.example'))->in($href)?->path);
    }

    #[Test]
    public function whatever_is_written_after_an_address_the_address_is_the_same_and_the_rest_is_kept(): void
    {
        $own = new OwnAddress(new AddressRules(), 'https://www.ferries.example');
        $this->forAll(
            Generators::elements(['', '?', '?a=/b', '#x', '?a#b?c', '#/up']),
            Generators::vector(3, Generators::elements(['times', 'a b', 'ä', '%C3%A4'])),
        )->then(function (string $rest, array $segments) use ($own): void {
            $path = '/'.implode('/', $segments);
            self::assertSame($own->in($path)?->key, $own->in("https://www.ferries.example$path$rest")?->key);
            self::assertSame($rest, OwnAddress::rest($path.$rest));
        });
    }
}
