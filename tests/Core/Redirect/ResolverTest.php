<?php

declare(strict_types=1);

namespace Tests\Core\Redirect;

use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\ClaimKind;
use Heronstem\Core\Linking\Reach;
use Heronstem\Core\Redirect\Answers;
use Heronstem\Core\Redirect\Held;
use Heronstem\Core\Redirect\Resolver;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class ResolverTest extends TestCase
{
    /** @return iterable<string, array{string, int, string|null, int}> asked, final status, location, hops */
    public static function requests(): iterable
    {
        yield 'as stored' => ['/travel/fares', 200, '/travel/fares', 0];
        yield 'query kept' => ['/travel/fares?a=1&b=%20', 200, '/travel/fares?a=1&b=%20', 0];
        yield 'other spelling' => ['/Travel//fares/?a=1', 200, '/travel/fares?a=1', 1];
        yield 'dot segments' => ['/x/../travel/fares', 200, '/travel/fares', 1];
        yield 'former address' => ['/old?from=poster', 200, '/travel/fares?from=poster', 1];
        yield 'former address in another spelling takes one hop too' => ['/OLD/', 200, '/travel/fares', 1];
        yield 'whole address' => ['https://ferries.test/travel/fares#top', 200, '/travel/fares', 0];
        yield 'hidden page' => ['/draft', 404, null, 0];
        yield 'former address of a hidden page' => ['/old-draft', 404, null, 0];
        yield 'missed' => ['/nobody', 404, null, 0];
        yield 'robots' => ['/robots.txt', 200, '/robots.txt', 0];
        yield 'part of the sitemap' => ['/sitemap-2.xml', 200, '/sitemap-2.xml', 0];
        yield 'reserved' => ['/.well-known/x', 404, null, 0];
        yield 'too long' => ['/'.str_repeat('a', 3000), 404, null, 0];
    }

    #[Test, DataProvider('requests')]
    public function a_request_is_answered_in_at_most_one_hop(string $asked, int $status, ?string $location, int $hops): void
    {
        $held = [
            '/travel/fares' => new Held('/travel/fares', ClaimKind::Page, 'P', 'Fares', '/travel/fares', true),
            '/old' => new Held('/old', ClaimKind::Redirect, 'P', 'Fares', '/travel/fares', true),
            '/draft' => new Held('/draft', ClaimKind::Page, 'D', 'Draft', '/draft', false),
            '/old-draft' => new Held('/old-draft', ClaimKind::Redirect, 'D', 'Draft', '/draft', false),
        ];
        $answers = new class($held) implements Answers
        {
            /** @param  array<string, Held>  $held */
            public function __construct(private array $held)
            {
            }

            public function at(string $key): ?Held
            {
                return $this->held[$key] ?? null;
            }
        };
        $resolution = (new Resolver(new AddressRules, $answers))->resolve($asked);
        self::assertSame([$status, $location, $hops], [$resolution->status, $resolution->location, count($resolution->hops)]);
        self::assertSame($asked, $resolution->toArray()['asked']);
        foreach ($resolution->hops as $hop) {
            self::assertSame(301, $hop->status);
        }
    }

    #[Test]
    public function clicks_are_counted_along_the_shortest_way(): void
    {
        $clicks = Reach::clicks('home', ['travel', 'help'], ['home' => ['news'], 'travel' => ['fares'], 'fares' => ['deep', 'home'], 'lost' => ['home']]);
        ksort($clicks);
        self::assertSame(['deep' => 3, 'fares' => 2, 'help' => 1, 'home' => 0, 'news' => 1, 'travel' => 1], $clicks);
    }
}
