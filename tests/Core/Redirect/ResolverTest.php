<?php

declare(strict_types=1);

namespace Tests\Core\Redirect;

use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\ClaimKind;
use Heronstem\Core\Linking\Reach;
use Heronstem\Core\Redirect\Answers;
use Heronstem\Core\Redirect\Held;
use Heronstem\Core\Redirect\Resolver;
use Heronstem\Core\Redirect\Standing;
use Heronstem\Core\Structure\PageKind;
use Heronstem\Core\Structure\Target;
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
    public function a_request_is_answered_as_the_ledger_and_the_kinds_of_pages_say(string $asked, ?int $status, ?string $location, int $hops, ?int $sends): void
    {
        $fares = new Standing('P', 'Fares', '/travel/fares', true);
        $draft = new Standing('D', 'Draft', '/draft', false);
        $pages = [
            'P' => $fares, 'D' => $draft,
            'S' => new Standing('S', 'Travel', '/travel', true, PageKind::Section), 'E' => new Standing('E', 'Empty', '/empty', true, PageKind::Section),
            'A' => new Standing('A', 'A', '/a', true, PageKind::Pointer, Target::page('S')), 'B' => new Standing('B', 'B', '/b', true, PageKind::Pointer, Target::url('https://elsewhere.example/x')),
            'L' => new Standing('L', 'L', '/l', true, PageKind::Pointer, Target::stored('address /L')), 'M' => new Standing('M', 'M', '/m', true, PageKind::Pointer, Target::page('D')),
            'F' => new Standing('F', 'F', '/f', true, PageKind::Pointer, Target::file('pdf')), 'G' => new Standing('G', 'G', '/g', true, PageKind::Pointer, Target::file('none')), 'T' => new Standing('T', 'T', '/t', true, PageKind::Download, Target::file('pdf')),
        ];
        $held = [
            '/old' => new Held('/old', ClaimKind::Redirect, $fares), '/old-draft' => new Held('/old-draft', ClaimKind::Redirect, $draft), '/dogs' => new Held('/dogs', ClaimKind::Also, $fares),
            '/gone' => new Held('/gone', ClaimKind::Gone, null), '/binned' => new Held('/binned', ClaimKind::Bin, null), '/old-travel' => new Held('/old-travel', ClaimKind::Redirect, $pages['S']),
        ];
        foreach ($pages as $page) {
            $held[$page->address] = new Held($page->address, ClaimKind::Page, $page);
        }
        $answers = new class($held, $pages) implements Answers
        {
            /**
             * @param  array<string, Held>  $held
             * @param  array<string, Standing>  $pages
             */
            public function __construct(private array $held, private array $pages)
            {
            }

            public function at(string $key): ?Held
            {
                return $this->held[$key] ?? null;
            }

            public function page(string $id): ?Standing
            {
                return $this->pages[$id] ?? null;
            }

            public function firstInside(string $id): ?Standing
            {
                return $id === 'S' ? $this->pages['P'] : null;
            }

            public function file(string $id): ?string
            {
                return $id === 'pdf' ? '/_files/pdf' : null;
            }
        };
        $resolution = (new Resolver(new AddressRules, $answers))->resolve($asked);
        self::assertSame([$status, $location, $hops], [$resolution->status, $resolution->location, count($resolution->hops)]);
        self::assertSame($asked, $resolution->toArray()['asked']);
        self::assertSame($sends, $resolution->sendsWith());
    }

    #[Test]
    public function clicks_are_counted_along_the_shortest_way(): void
    {
        $clicks = Reach::clicks('home', ['travel', 'help'], ['home' => ['news'], 'travel' => ['fares'], 'fares' => ['deep', 'home'], 'lost' => ['home']]);
        ksort($clicks);
        self::assertSame(['deep' => 3, 'fares' => 2, 'help' => 1, 'home' => 0, 'news' => 1, 'travel' => 1], $clicks);
    }
}
