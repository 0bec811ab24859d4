<?php

declare(strict_types=1);

namespace Tests\Core\Redirect;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\TrailingSlash;
use Heronstem\Core\Redirect\AnsweringPage;
use Heronstem\Core\Redirect\RuleReader;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What a site puts at the end of every address is no part of a redirect: the same rules do the same on every site. */
final class EndingsTest extends TestCase
{
    use TestTrait;

    /** @return iterable<string, array{AddressRules, string}> */
    public static function endings(): iterable
    {
        yield 'a slash' => [new AddressRules(TrailingSlash::Always), '/'];
        yield 'a suffix' => [new AddressRules(suffix: '.html'), '.html'];
    }

    #[Test, DataProvider('endings')]
    public function redirects_lead_to_the_same_on_a_site_whose_addresses_end_in_something(AddressRules $rules, string $ending): void
    {
        $given = [
            ['source' => '/old', 'scope' => 'branch', 'leadsTo' => ['address' => '/fares']],
            ['source' => '/shop', 'scope' => 'branch', 'leadsTo' => ['url' => 'https://x.example/s']],
            ['source' => '/n/:y(\\d+)/:slug', 'scope' => 'pattern', 'leadsTo' => ['address' => '/fares/:slug']],
            ['source' => '/w/*', 'scope' => 'pattern', 'leadsTo' => ['url' => 'https://x.example/:0']],
            ['source' => '/one', 'leadsTo' => ['address' => '/fares/foot']],
            ['source' => '/kept/:x/', 'scope' => 'pattern', 'leadsTo' => ['page' => 'P']],
        ];
        $first = Generators::elements('/old', '/shop', '/n', '/w', '/one', '/kept', '/else');
        $rest = Generators::elements('', '/foot', '/2019/foot', '/2019/car', '/a/b', '/x', '/foot.pdf');
        $this->limitTo(200)
            ->forAll($first, $rest, Generators::elements('', '?q=1'))
            ->then(function (string $first, string $rest, string $query) use ($given, $rules, $ending): void {
                $plain = $this->site($given, new AddressRules())->resolve($first.$rest.$query);
                $ended = $this->site($given, $rules)->resolve($first.$rest.(str_ends_with($rest, '.pdf') ? '' : $ending).$query);
                self::assertSame([$plain->sendsWith(), $plain->status], [$ended->sendsWith(), $ended->status], "{$first}{$rest}: {$ended->why}");
                self::assertSame($this->bare($plain->location ?? ''), $this->bare($ended->location ?? '', $ending));
            });
    }

    #[Test]
    public function a_pattern_is_kept_without_the_ending_it_was_written_with(): void
    {
        $read = static fn (string $source, AddressRules $rules): string => (new RuleReader($rules, 'UTC'))->read([
            'id' => '01J000000000000000000000R1',
            'scope' => 'pattern',
            'source' => $source,
            'leadsTo' => ['url' => 'https://x.example/'],
        ])->source;
        self::assertSame('/n/:y', $read('/n/:y/', new AddressRules()));
        self::assertSame('/n/:y', $read('/n/:y.html', new AddressRules(suffix: '.html')));
        self::assertSame('/n/:y.html', $read('/n/:y.html', new AddressRules()));
        self::assertSame('/n/*', $read('/n/*', new AddressRules(TrailingSlash::Always)));
    }

    /** @param  list<array<string, mixed>>  $given */
    private function site(array $given, AddressRules $rules): Rules
    {
        $address = static fn (string $path): string => Address::set($path, $rules)->path;
        $read = [];
        foreach ($given as $n => $fields) {
            $fields = isset($fields['leadsTo']['page']) ? ['leadsTo' => ['page' => '01J000000000000000000000P1']] + $fields : $fields;
            $read[] = (new RuleReader($rules, 'UTC'))->read(['id' => "01J000000000000000000000A$n"] + $fields);
        }

        return new Rules(
            $read,
            [
                '01J000000000000000000000P1' => new AnsweringPage('01J000000000000000000000P1', 'Fares', $address('/fares'), true),
                '01J000000000000000000000P2' => new AnsweringPage('01J000000000000000000000P2', 'Foot', $address('/fares/foot'), true),
            ],
            $rules,
        );
    }

    private function bare(string $location, string $ending = ''): string
    {
        $at = strcspn($location, '?#');
        $path = substr($location, 0, $at);

        return ($ending !== '' && str_ends_with($path, $ending) ? substr($path, 0, -strlen($ending)) : $path).substr($location, $at);
    }
}
