<?php

declare(strict_types=1);

namespace Tests\App;

use App\Desk\Demo\LoadDemoSite;
use App\Desk\ExportRedirects;
use App\Models\Site;
use Heronstem\Core\Change\ChangeReader;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;

/** Real web servers, given the exports, answer as Heronstem does, and what they are given is read again as the same rules. */
final class WebServerFilesTest extends AppTestCase
{
    use ComparesWebServers;

    /** @return iterable<string, array{array<string, string>, int}> rules of addresses, and how many redirects */
    public static function rules(): iterable
    {
        yield 'as most sites have them' => [[], 2000];
        yield 'a slash at the end' => [['trailing_slash' => 'always'], 200];
        yield 'an ending' => [['suffix' => '.html'], 200];
    }

    /** @param  array<string, string>  $rules */
    #[Test, DataProvider('rules')]
    public function web_servers_answer_every_redirect_of_thousands_with_the_same_status_and_location(array $rules, int $count): void
    {
        $this->site->forceFill($rules)->save();
        $this->redirects($count);
        mt_srand(20261125);
        $asked = $this->addresses();
        self::assertGreaterThan(2 * $count, count($asked));
        $this->assertWebServersAnswerAlike($asked);
    }

    #[Test]
    public function web_servers_answer_every_address_of_the_demo_as_it_does(): void
    {
        $this->site->forceDelete();
        app(LoadDemoSite::class)->load(database_path('demo/ferries'), 'ferries');
        $this->site = Site::query()->where('key', 'ferries')->firstOrFail();
        $known = array_column(DB::select('select address from ledger where site_id = ?', [$this->site->id]), 'address');
        $asked = [
            ...$known,
            ...array_map(static fn (string $address): string => strtoupper($address).'/?utm=x', $known),
            '/island-guide/skerra',
            '/island-guide/x/y?z',
            '/timetable/summer',
            '/timetable/spring',
            '/news/2021/harbour-works',
            '/news/x/harbour-works',
            '/book?lang=gd',
        ];
        self::assertGreaterThan(200, count($asked));
        $this->assertWebServersAnswerAlike($asked);
    }

    #[Test]
    public function what_a_web_server_cannot_carry_is_said(): void
    {
        $page = $this->live('Fares');
        $make = fn (array $fields) => $this->change(
            ['kind' => 'make-redirect', 'redirect' => (string) Str::ulid(), 'leadsTo' => ['page' => $page]] + $fields,
        );
        $make(['source' => '/deal', 'answer' => 'pause', 'pause' => ['seconds' => 3, 'message' => ['type' => 'doc', 'content' => []]]]);
        $make(['source' => '/offer?id=1', 'query' => 'match']);
        $make(['source' => '/may', 'until' => now()->addDay()->toIso8601ZuluString()]);
        $notes = app(ExportRedirects::class)->nginx($this->site->refresh())->notes();
        self::assertCount(2, $notes);
        self::assertStringContainsString('pause page of /deal', $notes[0]);
        $this->site->forceFill(['case_sensitive' => true])->save();
        self::assertCount(3, app(ExportRedirects::class)->nginx($this->site)->notes());
        self::assertCount(3, app(ExportRedirects::class)->apache($this->site)->notes());
        self::assertStringContainsString(
            '# Not exported: The redirect of /may is for a time',
            app(ExportRedirects::class)->nginx($this->site)->maps(),
        );
    }

    /** Pages, former addresses, and rules of every kind. */
    private function redirects(int $count): void
    {
        $travel = $this->live('Travel');
        $fares = $this->live('Fares', $travel);
        $old = $this->live('Old', null);
        $inside = $this->live('Inside', $old);
        $this->draft('Draft', $old);
        $this->change(['kind' => 'set-slug', 'page' => $travel, 'slug' => 'sailing']);
        $this->change(['kind' => 'change-kind', 'page' => $old, 'to' => 'section']);
        $changes = [
            ['source' => '/alt', 'scope' => 'branch', 'leadsTo' => ['address' => '/sailing']],
            ['source' => '/alt/deep', 'scope' => 'branch', 'leadsTo' => ['url' => 'https://x.example/d?k=v#top'], 'answer' => '302'],
            ['source' => '/old', 'scope' => 'branch', 'leadsTo' => ['url' => 'https://x.example/old'], 'answer' => '307'],
            ['source' => '/way', 'scope' => 'branch', 'leadsTo' => ['address' => '/travel']],
            ['source' => '/flat', 'scope' => 'branch', 'leadsTo' => ['page' => $fares], 'carriesRest' => false],
            ['source' => '/shut', 'scope' => 'branch', 'answer' => '410'],
            ['source' => '/news/:year(\\d+)/:slug', 'scope' => 'pattern', 'leadsTo' => ['address' => '/n/:slug-:year']],
            ['source' => '/shop/*', 'scope' => 'pattern', 'leadsTo' => ['url' => 'https://shop.example/:0?from=$1'], 'answer' => '308'],
            ['source' => '/häfen/:name', 'scope' => 'pattern', 'leadsTo' => ['page' => $fares], 'query' => 'drop'],
            ['source' => '/x{/:y}?/end', 'scope' => 'pattern', 'leadsTo' => ['url' => 'https://x.example/:y']],
            ['source' => '/sailing/fares', 'leadsTo' => ['url' => 'https://offer.example/"a"'], 'answer' => '302', 'inFront' => true],
            ['source' => '/möwe', 'leadsTo' => ['page' => $inside]],
            ['source' => '/with space', 'leadsTo' => ['address' => '/old']],
            ['source' => '/gone-now', 'answer' => '410'],
            [
                'source' => '/alt/wait',
                'answer' => 'pause',
                'leadsTo' => ['page' => $fares],
                'pause' => ['seconds' => 2, 'message' => ['type' => 'doc', 'content' => []]],
            ],
            ['source' => '/dollar', 'leadsTo' => ['url' => 'https://x.example/?price=$5']],
            ['source' => '/offer?id=3', 'query' => 'match', 'leadsTo' => ['page' => $fares]],
            ['source' => '/offer?id=3&lang=de', 'query' => 'match', 'leadsTo' => ['url' => 'https://x.example/de?id=9'], 'answer' => '302'],
            ['source' => '/offer', 'leadsTo' => ['url' => 'https://x.example/%20a?from=o&utm=p#top']],
            ['source' => '/list', 'scope' => 'branch', 'leadsTo' => ['url' => 'https://x.example/l'], 'query' => 'match'],
            ['source' => '/sailing/inside', 'leadsTo' => ['address' => '/sailing'], 'answer' => '302', 'inFront' => true],
            ['source' => '/sailing', 'scope' => 'branch', 'leadsTo' => ['url' => 'https://s.example/'], 'query' => 'match', 'answer' => '307'],
            ['source' => '/a.b(c)+d;e', 'leadsTo' => ['page' => $fares]],
        ];
        $changes[8]['leadsTo'] = ['page' => $fares];
        $changes = array_map(
            static fn (array $change): array => in_array($change['source'], ['/list', '/sailing'], true) && ($change['query'] ?? '') === 'match'
                ? ['source' => $change['source'].'?mode=a b'] + $change
                : $change,
            $changes,
        );
        $changes = array_map(
            static fn (array $change): array => isset($change['leadsTo']['url'])
                ? ['leadsTo' => ['url' => str_replace('"a"', '%22a%22', $change['leadsTo']['url'])]] + $change
                : $change,
            $changes,
        );
        for ($n = 0; $n < $count; $n++) {
            $to = [
                ['page' => $fares],
                ['page' => $old],
                ['address' => '/r/'.($n + 1)],
                ['url' => "https://x.example/$n?a=$n"],
                ['address' => '/travel/fares'],
            ][$n % 5];
            $changes[] = [
                'source' => "/r/$n",
                'leadsTo' => $to,
                'answer' => ['301', '302', '307', '308'][$n % 4],
                'query' => $n % 7 === 0 ? 'drop' : 'carry',
            ];
        }
        foreach (array_chunk($changes, 500) as $piece) {
            $batch = (new ChangeReader($this->site->rules(), $this->site->zone))->batch(
                array_map(static fn (array $change): array => ['kind' => 'make-redirect', 'redirect' => (string) Str::ulid()] + $change, $piece),
            );
            $this->carryOut(...$batch->changes);
        }
    }

    /** @return list<string> every address there is, in several spellings, and as many that nobody set */
    private function addresses(): array
    {
        $known = array_column(DB::select('select address from ledger where site_id = ? order by address collate "C"', [$this->site->id]), 'address');
        $asked = [];
        foreach ($known as $n => $address) {
            $asked[] = $address.['', '?q=1', '/', '?', ''][$n % 5];
        }
        foreach (
            [
                '/alt',
                '/alt/',
                '/ALT/fares?x=1',
                '/alt/deep/er?x',
                '/alt/nothing',
                '/old/inside',
                '/old/draft?z',
                '/alt/wait',
                '/alt/wait/x',
                '/old/else?y',
                '/old',
                '/way/fares',
                '/way',
                '/flat/a/b?c',
                '/shut/x',
                '/news/2019/big',
                '/news/x/big',
                '/news/2019/Big?q=1',
                '/shop/a/b?c=d',
                '/shop/',
                '/x/end',
                '/x/y/end?z',
                '/h%C3%A4fen/ost?gone',
                '/m%C3%B6we',
                '/with%20space',
                '/R/7',
                '/sailing/fares?x',
                '/nobody',
                '/offer',
                '/offer?x',
                '/offer?id=3',
                '/offer?a=1&id=3&b=2',
                '/offer?%69d=3',
                '/offer?id=3&id=3',
                '/offer?lang=de&id=3',
                '/offer?z&lang=de&y=1&id=3&x',
                '/offer?id=33',
                '/offer?utm=q&k=1',
                '/offer?from=1&a=2&from=3',
                '/list/x?mode=a+b&c',
                '/list?mode=a%20b',
                '/list/x?mode=a',
                '/sailing/inside?a',
                '/sailing/fares?mode=a+b',
                '/sailing?mode=a%20b&c=d',
                '/LIST/x?mode=A+b',
                '/a.b(c)+d;e',
                '/A.B(C)+D;E/',
            ] as $one
        ) {
            $asked[] = $one;
        }
        for ($n = 0; $n < 2100; $n++) {
            $asked[] =
                '/'.
                ['r', 'alt', 'old', 'news', 'shop', 'way', 'else'][mt_rand(0, 6)].
                '/'.
                mt_rand(0, 3000).
                ['', '/a', '?b=1', '/c?d'][mt_rand(0, 3)];
        }

        return array_values(array_unique($asked));
    }
}
