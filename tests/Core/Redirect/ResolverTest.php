<?php

declare(strict_types=1);

namespace Tests\Core\Redirect;

use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Linking\ClickDistance;
use Heronstem\Core\Linking\Target;
use Heronstem\Core\Redirect\AddressHolder;
use Heronstem\Core\Redirect\AddressLookup;
use Heronstem\Core\Redirect\AnsweringPage;
use Heronstem\Core\Redirect\Resolver;
use Heronstem\Core\Tree\PageKind;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class ResolverTest extends TestCase
{
    /** @return iterable<string, array{string, int|null, string|null, int, int|null}> asked, final status, location, hops, status that sends on */
    public static function requests(): iterable
    {
        yield 'as stored' => ['/travel/fares', 200, '/travel/fares', 0, null];
        yield 'query kept' => ['/travel/fares?a=1&b=%20', 200, '/travel/fares?a=1&b=%20', 0, null];
        yield 'other spelling' => ['/Travel//fares/?a=1', 200, '/travel/fares?a=1', 1, 301];
        yield 'dot segments' => ['/x/../travel/fares', 200, '/travel/fares', 1, 301];
        yield 'former address' => ['/old?from=poster', 200, '/travel/fares?from=poster', 1, 301];
        yield 'former address in another spelling takes one hop too' => ['/OLD/', 200, '/travel/fares', 1, 301];
        yield 'whole address' => ['https://ferries.test/travel/fares#top', 200, '/travel/fares', 0, null];
        yield 'hidden page' => ['/draft', 404, null, 0, null];
        yield 'former address of a hidden page' => ['/old-draft', 404, null, 0, null];
        yield 'missed' => ['/nobody', 404, null, 0, null];
        yield 'further address' => ['/dogs?a', 200, '/dogs?a', 0, null];
        yield 'gone' => ['/gone', 410, null, 0, null];
        yield 'kept for the bin' => ['/binned', 404, null, 0, null];
        yield 'section' => ['/travel?a=1', 200, '/travel/fares?a=1', 1, 302];
        yield 'former address of a section' => ['/old-travel', 200, '/travel/fares', 2, 302];
        yield 'empty section' => ['/empty', 404, null, 0, null];
        yield 'pointer to a section' => ['/a', 200, '/travel/fares', 2, 302];
        yield 'pointer elsewhere' => ['/b', null, 'https://elsewhere.example/x', 1, 302];
        yield 'pointer to its own address' => ['/l', 404, null, 2, null];
        yield 'pointer to a draft' => ['/m', 404, null, 0, null];
        yield 'pointer to a file' => ['/f', 200, '/_files/pdf', 1, 302];
        yield 'pointer to a file that is not there' => ['/g', 404, null, 0, null];
        yield 'download' => ['/t', 200, '/t', 0, null];
        yield 'robots' => ['/robots.txt', 200, '/robots.txt', 0, null];
        yield 'part of the sitemap' => ['/sitemap-2.xml', 200, '/sitemap-2.xml', 0, null];
        yield 'reserved' => ['/.well-known/x', 404, null, 0, null];
        yield 'too long' => ['/'.str_repeat('a', 3000), 404, null, 0, null];
    }

    #[Test, DataProvider('requests')]
    public function a_request_is_answered_as_the_ledger_and_the_kinds_of_pages_say(
        string $asked,
        ?int $status,
        ?string $location,
        int $hops,
        ?int $sends,
    ): void {
        $fares = new AnsweringPage('P', 'Fares', '/travel/fares', true);
        $draft = new AnsweringPage('D', 'Draft', '/draft', false);
        $pages = [
            'P' => $fares,
            'D' => $draft,
            'S' => new AnsweringPage('S', 'Travel', '/travel', true, PageKind::Section),
            'E' => new AnsweringPage('E', 'Empty', '/empty', true, PageKind::Section),
            'A' => new AnsweringPage('A', 'A', '/a', true, PageKind::Pointer, Target::page('S')),
            'B' => new AnsweringPage('B', 'B', '/b', true, PageKind::Pointer, Target::url('https://elsewhere.example/x')),
            'L' => new AnsweringPage('L', 'L', '/l', true, PageKind::Pointer, Target::stored('address /L')),
            'M' => new AnsweringPage('M', 'M', '/m', true, PageKind::Pointer, Target::page('D')),
            'F' => new AnsweringPage('F', 'F', '/f', true, PageKind::Pointer, Target::file('pdf')),
            'G' => new AnsweringPage('G', 'G', '/g', true, PageKind::Pointer, Target::file('none')),
            'T' => new AnsweringPage('T', 'T', '/t', true, PageKind::Download, Target::file('pdf')),
        ];
        $held = [
            '/old' => new AddressHolder('/old', ClaimKind::Redirect, $fares),
            '/old-draft' => new AddressHolder('/old-draft', ClaimKind::Redirect, $draft),
            '/dogs' => new AddressHolder('/dogs', ClaimKind::Also, $fares),
            '/gone' => new AddressHolder('/gone', ClaimKind::Gone, null),
            '/binned' => new AddressHolder('/binned', ClaimKind::Bin, null),
            '/old-travel' => new AddressHolder('/old-travel', ClaimKind::Redirect, $pages['S']),
        ];
        foreach ($pages as $page) {
            $held[$page->address] = new AddressHolder($page->address, ClaimKind::Page, $page);
        }
        $answers = new class($held, $pages) implements AddressLookup
        {
            /**
             * @param  array<string, AddressHolder>  $held
             * @param  array<string, AnsweringPage>  $pages
             */
            public function __construct(private array $held, private array $pages)
            {
            }

            public function at(string $key): ?AddressHolder
            {
                return $this->held[$key] ?? null;
            }

            public function page(string $id): ?AnsweringPage
            {
                return $this->pages[$id] ?? null;
            }

            public function firstInside(string $id): ?AnsweringPage
            {
                return $id === 'S' ? $this->pages['P'] : null;
            }

            public function file(string $id): ?string
            {
                return $id === 'pdf' ? '/_files/pdf' : null;
            }
        };
        $resolution = (new Resolver(new AddressRules(), $answers))->resolve($asked);
        self::assertSame([$status, $location, $hops], [$resolution->status, $resolution->location, count($resolution->hops)]);
        self::assertSame($asked, $resolution->toArray()['asked']);
        self::assertSame($sends, $resolution->sendsWith());
    }

    #[Test]
    public function clicks_are_counted_along_the_shortest_way(): void
    {
        $clicks = ClickDistance::clicks(
            'home',
            ['travel', 'help'],
            ['home' => ['news'], 'travel' => ['fares'], 'fares' => ['deep', 'home'], 'lost' => ['home']],
        );
        ksort($clicks);
        self::assertSame(['deep' => 3, 'fares' => 2, 'help' => 1, 'home' => 0, 'news' => 1, 'travel' => 1], $clicks);
    }
}
