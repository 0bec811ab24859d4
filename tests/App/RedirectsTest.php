<?php

declare(strict_types=1);

namespace Tests\App;

use App\Desk\CountHits;
use App\Store\HitLog;
use Heronstem\Core\Access\Role;
use Heronstem\Core\Redirect\RequestOrigin;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\Test;

/** Redirects made by hand: through the API, and as visitors are answered. */
final class RedirectsTest extends AppTestCase
{
    private string $fares;

    protected function setUp(): void
    {
        parent::setUp();
        array_map(unlink(...), glob(storage_path('app/hits/*')) ?: []);
        $this->fares = $this->live('Fares');
    }

    #[Test]
    public function a_redirect_answers_is_changed_switched_off_removed_and_undone(): void
    {
        $dogs = $this->redirect(['source' => '/dogs', 'leadsTo' => ['page' => $this->fares], 'note' => 'Poster of 2024']);
        $this->visit('/dogs?from=poster')->assertStatus(301)->assertRedirect('/fares?from=poster');
        $this->visit('/DOGS/', 'POST')->assertStatus(301);
        $this->change(
            ['kind' => 'rename', 'page' => $this->fares, 'name' => 'Prices'],
            ['kind' => 'set-slug', 'page' => $this->fares, 'slug' => 'prices'],
        );
        $this->visit('/dogs')->assertRedirect('/prices');
        $entry = $this->change(['kind' => 'change-redirect', 'redirect' => $dogs, 'isOn' => false]);
        self::assertSame('Switched the redirect of */dogs* off', $entry->sentence);
        $this->visit('/dogs')->assertNotFound();
        $this->api('POST', "history/{$entry->ulid}/undo")->assertCreated();
        $this->visit('/dogs')->assertStatus(301);
        $removed = $this->api('POST', 'batches', ['changes' => [['kind' => 'remove-redirect', 'redirect' => $dogs, 'gone' => true]]])
            ->assertCreated()
            ->assertJsonPath('counts.redirects', 1)
            ->json('id');
        $this->visit('/dogs')->assertStatus(410);
        $this->api('GET', "history/$removed")
            ->assertJsonPath('ripple.lists.redirects.0.from', '/dogs')
            ->assertJsonPath('ripple.lists.redirects.0.note', 'is removed');
        $this->api('POST', "history/$removed/undo")->assertCreated();
        $this->api('GET', "redirects/$dogs")
            ->assertOk()
            ->assertJsonPath('redirect.note', 'Poster of 2024')
            ->assertJsonPath('way.sends', 301)
            ->assertJsonPath('way.hops.0.rule', $dogs);
        $this->assertInvariants();
    }

    #[Test]
    public function branches_patterns_and_rules_in_front_answer_as_they_are_compiled_and_follow_their_time(): void
    {
        $this->redirect(['scope' => 'branch', 'source' => '/vanesay-line', 'leadsTo' => ['address' => '/routes']]);
        $this->redirect([
            'scope' => 'pattern',
            'source' => '/item/:id(\\d+)',
            'leadsTo' => ['url' => 'https://shop.example/i?n=:id'],
            'answer' => '302',
        ]);
        $this->visit('/vanesay-line/a/b')->assertStatus(301)->assertRedirect('/routes/a/b');
        $this->visit('/item/12')->assertStatus(302)->assertRedirect('https://shop.example/i?n=12');
        $this->visit('/item/x')->assertNotFound();
        $now = Carbon::now()->startOfSecond();
        $front = $this->redirect([
            'source' => '/fares',
            'leadsTo' => ['url' => 'https://offer.example/'],
            'answer' => '302',
            'inFront' => true,
            'from' => $now->copy()->addSeconds(30)->toIso8601ZuluString(),
            'until' => $now->copy()->addSeconds(60)->toIso8601ZuluString(),
        ]);
        $this->visit('/fares')->assertOk();
        Carbon::setTestNow($now->copy()->addSeconds(31));
        $this->visit('/fares')->assertRedirect('https://offer.example/');
        Carbon::setTestNow($now->copy()->addSeconds(61));
        $this->visit('/fares')->assertOk();
        Carbon::setTestNow();
        $this->api('GET', 'addresses?status=front')->assertJsonPath('total', 1)->assertJsonPath('rows.0.redirect.id', $front);
    }

    #[Test]
    public function a_pause_page_says_its_message_goes_on_and_is_not_indexed(): void
    {
        $message = [
            'type' => 'doc',
            'content' => [
                ['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => 'The winter offer is over.', 'marks' => [['type' => 'bold']]]]],
            ],
        ];
        $this->redirect([
            'source' => '/winter-offer',
            'leadsTo' => ['page' => $this->fares],
            'answer' => 'pause',
            'pause' => ['seconds' => 8, 'message' => $message],
        ]);
        $this->visit('/winter-offer?a=1')
            ->assertOk()
            ->assertSee('<strong>The winter offer is over.</strong>', false)
            ->assertSee('<a href="/fares?a=1">Go on now</a>', false)
            ->assertSee('after 8 seconds')
            ->assertHeader('Refresh', '8; url=/fares?a=1')
            ->assertHeader('X-Robots-Tag', 'noindex');
        $this->visit('/sitemap.xml')->assertDontSee('winter-offer');
    }

    #[Test]
    public function a_held_address_is_a_conflict_with_its_ways_out_and_a_circle_is_refused(): void
    {
        $id = (string) Str::ulid();
        $make = ['kind' => 'make-redirect', 'redirect' => $id, 'source' => '/fares', 'leadsTo' => ['url' => 'https://x.example/']];
        $conflict = $this->api('POST', 'batches', ['changes' => [$make]])
            ->assertStatus(409)
            ->assertJsonPath('ripple.conflicts.0.redirect', $id)
            ->assertJsonPath('ripple.conflicts.0.held.name', 'Fares')
            ->json('ripple.conflicts.0');
        self::assertSame(['stand-in-front', 'choose-another'], array_column($conflict['waysOut'], 'kind'));
        $this->api('POST', 'batches', ['changes' => [$make, ...$conflict['waysOut'][0]['changes']]])->assertCreated();
        $this->visit('/fares')->assertRedirect('https://x.example/');
        $this->redirect(['source' => '/a', 'leadsTo' => ['address' => '/b']]);
        $this->api('POST', 'ripple', [
            'changes' => [['kind' => 'make-redirect', 'redirect' => (string) Str::ulid(), 'source' => '/b', 'leadsTo' => ['address' => '/a']]],
        ])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'changes.0.leadsTo');
        $tam = $this->person('Tam', Role::WRITER);
        foreach (['/fares', '/free'] as $source) {
            $this->api(
                'POST',
                'batches',
                ['changes' => [['redirect' => (string) Str::ulid(), 'source' => $source] + $make]],
                $tam,
            )->assertForbidden();
        }
    }

    #[Test]
    public function the_addresses_are_listed_found_counted_and_opened_by_segment(): void
    {
        $this->live('Foot', $this->fares);
        $this->change(['kind' => 'set-slug', 'page' => $this->fares, 'slug' => 'prices']);
        $this->redirect(['source' => '/q/harbour-a', 'leadsTo' => ['page' => $this->fares], 'note' => 'Poster at the harbour']);
        $this->redirect(['scope' => 'branch', 'source' => '/old', 'leadsTo' => ['page' => $this->fares]]);
        $list = $this->api('GET', 'addresses')->assertOk()->assertJsonPath('total', 15)->json();
        self::assertSame(
            ['/fares', '/fares/foot', '/old', '/prices', '/prices/foot', '/q/harbour-a', '/.well-known/*'],
            array_slice(array_column($list['rows'], 'address'), 0, 7),
        );
        self::assertSame(['former', 'former', 'branch', 'page', 'page', 'one', 'reserved'], array_slice(array_column($list['rows'], 'kind'), 0, 7));
        self::assertSame('/prices', $list['rows'][0]['leadsTo']);
        $this->api('GET', 'addresses?kind=one,branch')->assertJsonPath('total', 2)->assertJsonPath('counts.page', 2);
        $this->api('GET', 'addresses?text=HARBOUR')->assertJsonPath('total', 1)->assertJsonPath('rows.0.redirect.note', 'Poster at the harbour');
        self::assertSame(
            [
                ['segment' => 'fares', 'below' => 1, 'here' => 'former'],
                ['segment' => 'old', 'below' => 0, 'here' => 'branch'],
                ['segment' => 'prices', 'below' => 1, 'here' => 'page'],
                ['segment' => 'q', 'below' => 1, 'here' => null],
            ],
            $this->api('GET', 'addresses/below')->json(),
        );
        self::assertSame([['segment' => 'harbour-a', 'below' => 0, 'here' => 'one']], $this->api('GET', 'addresses/below?address=/q')->json());
        $tried = $this->api('POST', 'addresses/tried', ['text' => "/fares\n\n /q/harbour-a?x \n/nowhere"])
            ->assertOk()
            ->json();
        self::assertSame([301, 301, null], array_column($tried, 'sends'));
        $this->api('POST', 'addresses/tried', ['text' => str_repeat("/a\n", 201)])->assertStatus(422);
    }

    #[Test]
    public function hits_are_counted_once_by_day_and_host_with_programs_apart_and_misses_beside_them(): void
    {
        $dogs = $this->redirect(['source' => '/dogs', 'leadsTo' => ['page' => $this->fares]]);
        $ask = fn (string $path, string $agent, string $from = '') => $this->call(
            'GET',
            "http://ferries.test$path",
            server: ['REQUEST_URI' => $path, 'HTTP_USER_AGENT' => $agent, 'HTTP_REFERER' => $from],
        );
        $ask('/dogs', 'Mozilla/5.0 (X11)', 'https://Dogs.example/walks?who=me');
        $ask('/dogs', 'Mozilla/5.0 (X11)', 'http://ferries.test/fares');
        $ask('/dogs', 'FriendlyBot/1.0 (+https://bot.example)');
        $ask('/Lost', 'Mozilla/5.0 (X11)', 'https://dogs.example/');
        $ask('/wp-login.php', 'Mozilla/5.0 (X11)');
        app(CountHits::class)->count();
        app(CountHits::class)->count();
        $counted = DB::table('redirect_hits')
            ->orderBy('referrer')
            ->orderBy('bots')
            ->get(['rule', 'referrer', 'bots', 'hits'])
            ->map(fn ($row) => (array) $row)
            ->all();
        self::assertSame(
            [
                ['rule' => $dogs, 'referrer' => '', 'bots' => false, 'hits' => 1],
                ['rule' => $dogs, 'referrer' => '', 'bots' => true, 'hits' => 1],
                ['rule' => $dogs, 'referrer' => 'dogs.example', 'bots' => false, 'hits' => 1],
            ],
            $counted,
        );
        $detail = $this->api('GET', "redirects/$dogs")->json();
        self::assertSame([2, 1], [array_sum(array_column($detail['days'], 'hits')), array_sum(array_column($detail['days'], 'bots'))]);
        $this->api('GET', 'addresses?kind=missed')->assertJsonPath('total', 1)->assertJsonPath('rows.0.address', '/Lost');
        self::assertSame(
            1,
            array_sum(
                $this->api('GET', 'addresses?kind=missed')
                    ->assertJsonPath('noise', ['addresses' => 1, 'requests' => 1])
                    ->json('rows.0.hits'),
            ),
        );
        $this->change(['kind' => 'set-slug', 'page' => $this->fares, 'slug' => 'prices']);
        $ask('/fares', 'Mozilla/5.0 (X11)', 'https://dogs.example/');
        $ask('/Prices/', 'Mozilla/5.0 (X11)', 'https://dogs.example/');
        self::assertSame(
            ['/fares', 1],
            [($former = $this->api('GET', 'addresses?kind=former')->json('rows.0'))['address'], array_sum($former['hits'])],
        );
        self::assertSame(
            1,
            DB::table('redirect_hits')->where('rule', 'like', 'at %')->count(),
            'Another spelling of where a page is counts for nothing.',
        );
    }

    #[Test]
    public function a_removed_redirect_is_listed_and_comes_back_whole(): void
    {
        $dogs = $this->redirect(['source' => '/dogs', 'leadsTo' => ['page' => $this->fares], 'note' => 'Poster of 2024', 'answer' => '302']);
        $this->redirect(['scope' => 'pattern', 'source' => '/n/:y', 'leadsTo' => ['address' => '/fares']]);
        $this->change(['kind' => 'remove-redirect', 'redirect' => $dogs, 'gone' => false]);
        $this->api('GET', 'addresses?kind=removed')
            ->assertJsonPath('total', 1)
            ->assertJsonPath('rows.0.address', '/dogs')
            ->assertJsonPath('rows.0.redirect.note', 'Poster of 2024')
            ->assertJsonPath('rows.0.sentence', 'Removed the redirect of */dogs*');
        $this->change([
            'kind' => 'make-redirect',
            'redirect' => $dogs,
            'source' => '/dogs',
            'answer' => '302',
            'leadsTo' => ['page' => $this->fares],
            'note' => 'Poster of 2024',
        ]);
        $this->api('GET', 'addresses?kind=removed')->assertJsonPath('total', 0);
        $this->visit('/dogs')->assertStatus(302);
        $removed = $this->change(['kind' => 'remove-redirect', 'redirect' => $dogs, 'gone' => true]);
        $this->api('GET', 'addresses?kind=removed')->assertJsonPath('total', 1);
        $this->api('POST', "history/{$removed->ulid}/undo")->assertCreated();
        $this->api('GET', 'addresses?kind=removed')->assertJsonPath('total', 0);
    }

    #[Test]
    public function findings_narrow_the_list_and_are_looked_for_anew_after_a_change(): void
    {
        $a = $this->redirect(['source' => '/a', 'leadsTo' => ['address' => '/b']]);
        $this->api('GET', 'redirect-findings')->assertJsonPath('0.kind', 'dead-target');
        $this->redirect(['source' => '/b', 'leadsTo' => ['page' => $this->fares]]);
        $this->redirect(['source' => '/c', 'leadsTo' => ['page' => $this->fares]]);
        $this->api('GET', 'redirect-findings')->assertJsonCount(1)->assertJsonPath('0.kind', 'chain');
        $this->api('GET', 'addresses?finding=any')
            ->assertJsonPath('total', 1)
            ->assertJsonPath('rows.0.redirect.id', $a)
            ->assertJsonPath('rows.0.ends', ['address' => '/fares', 'name' => 'Fares'])
            ->assertJsonPath('rows.0.leadsTo', '/b');
        $this->api('GET', 'addresses?finding=loop')->assertJsonPath('total', 0);
        $this->api('GET', 'addresses?status=by-hand&kind=one')->assertJsonPath('total', 3);
        $this->api('GET', 'addresses?status=from-import')->assertJsonPath('total', 0);
    }

    #[Test]
    public function a_miss_tells_its_days_and_hosts_and_which_page_was_probably_meant(): void
    {
        $this->live('Lost property');
        for ($n = 0; $n < 3; $n++) {
            $this->call(
                'GET',
                'http://ferries.test/lost-proprety.html',
                server: [
                    'REQUEST_URI' => '/lost-proprety.html',
                    'HTTP_USER_AGENT' => 'Mozilla/5.0',
                    'HTTP_REFERER' => $n === 0 ? '' : 'https://bus.example/',
                ],
            )->assertNotFound();
        }
        $missed = $this->api('GET', 'addresses/missed?address=/lost-proprety.html')
            ->assertOk()
            ->assertJsonPath('referrers.0', ['host' => 'bus.example', 'hits' => 2])
            ->json();
        self::assertSame([42, 3], [count($missed['days']), $missed['days'][41]['hits']]);
        $this->api('GET', 'addresses?kind=missed')->assertJsonPath('rows.0.likeliest.name', 'Lost property');
        $near = $this->api('GET', 'addresses/near?address=/lost-proprety.html')->assertOk()->json();
        self::assertSame('Lost property', $near[0]['name']);
        self::assertNotSame('', $near[0]['why']);
        self::assertSame([], $this->api('GET', 'addresses/near?address=/zebra')->json());
    }

    #[Test]
    public function redirects_of_a_web_server_come_in_with_a_diagnosis_for_each(): void
    {
        $conf =
            "location = /spring { return 301 /fares; }\nlocation = /fares { return 301 /x; }\nrewrite ^/o/([0-9]+)/(.*)\$ /fares permanent;\nif (\$a) { return 301 /b; }\n";
        $rows = $this->api('POST', 'redirects-import', ['text' => $conf, 'make' => 'good'])
            ->assertOk()
            ->assertJsonPath('good', 2)
            ->assertJsonPath('bad', 2)
            ->json('rows');
        self::assertSame([null, 'address', null, 'address'], array_column($rows, 'field'));
        $this->visit('/spring')->assertRedirect('/fares');
        $this->visit('/o/12/x?y')->assertRedirect('/fares?y');
        $general = $this->api('GET', 'redirects-not-carried?server=apache')->assertOk()->assertJsonCount(3)->json();
        self::assertStringContainsString('%2F', $general[2]);
        $this->api('GET', 'redirects-not-carried?server=other')->assertStatus(422);
        $this->assertInvariants();
    }

    #[Test]
    public function nothing_noted_is_lost_when_counting_begins_while_others_note(): void
    {
        $log = app(HitLog::class);
        $asker = RequestOrigin::of('Mozilla/5.0', '', 'ferries.test');
        $log->used($this->site->id, 'A', $asker);
        $batches = $log->batches();
        $log->used($this->site->id, 'B', $asker);
        self::assertCount(1, iterator_to_array($log->lines($batches[0]), false));
        // Killed between counting and deleting: the batch is there again, and counted already.
        $kept = dirname($batches[0]).'/kept';
        copy($batches[0], $kept);
        app(CountHits::class)->count();
        rename($kept, $batches[0]);
        app(CountHits::class)->count();
        self::assertSame(['A' => 1, 'B' => 1], DB::table('redirect_hits')->orderBy('rule')->pluck('hits', 'rule')->all());
    }

    #[Test]
    public function redirects_come_in_from_a_table_go_out_and_come_in_again_the_same(): void
    {
        $table =
            "address,leads to,answer,note\n/a,/fares,302,one\n/a,/b,,twice\n/fares,/x,,taken\n/c,/c,,itself\n/loop,/back,,\n/back,/loop,,\n/d,https://x.example/,308,\n/old/*,/fares,,\n";
        $look = $this->api('POST', 'redirects-import', ['text' => $table])
            ->assertOk()
            ->assertJsonPath('good', 4)
            ->assertJsonPath('bad', 4)
            ->assertJsonPath('entries', [])
            ->json('rows');
        self::assertSame(range(2, 9), array_column($look, 'line'));
        self::assertSame(['one', '302', null], [$look[0]['scope'], $look[0]['answer'], $look[0]['reason']]);
        $look = array_values(array_filter($look, static fn (array $row): bool => $row['reason'] !== null));
        self::assertSame([3, 4, 5, 6], array_column($look, 'line'));
        self::assertStringContainsString('in a circle', $look[3]['reason']);
        $this->visit('/a')->assertNotFound();
        $this->api('POST', 'redirects-import', ['text' => $table, 'make' => 'all'])->assertStatus(422);
        $entry = $this->api('POST', 'redirects-import', ['text' => $table, 'make' => 'good', 'note' => 'From the old site'])
            ->assertOk()
            ->json('entries.0');
        $this->visit('/a')->assertStatus(302)->assertRedirect('/fares');
        $this->visit('/old/x/y')->assertStatus(301)->assertRedirect('/fares');
        foreach (['csv', 'jsonl', 'nginx-maps', 'apache-rules', 'apache-map'] as $format) {
            $before = $this->redirects();
            $file = $this->api('GET', "redirects-export?format=$format")
                ->assertOk()
                ->streamedContent();
            $this->api('POST', "history/$entry/undo")->assertCreated();
            self::assertSame([], $this->redirects());
            $entry = $this->api('POST', 'redirects-import', ['text' => $file, 'make' => 'all'])
                ->assertOk()
                ->assertJsonPath('bad', 0)
                ->json('entries.0');
            self::assertSame($before, $this->redirects());
        }
        $this->api('POST', 'redirects-import', ['text' => $file, 'make' => 'good'])
            ->assertJsonPath('good', 0)
            ->assertJsonPath('bad', 4);
        $this->api('GET', 'redirects-export?format=nginx-server')->assertOk();
        $this->api('GET', 'redirects-export?format=doc')->assertStatus(422);
        $this->api('POST', 'redirects-import', ['text' => $file], $this->person('Tam', Role::WRITER))->assertForbidden();
        $this->assertInvariants();
    }

    /** @return list<array<string, mixed>> */
    private function redirects(): array
    {
        $rules = array_map(
            static fn ($rule): array => array_diff_key($rule->toArray(), ['id' => true, 'origin' => true]),
            iterator_to_array((new \App\Store\StoredRules(DB::connection(), $this->site))->everyRule(), false),
        );
        usort($rules, static fn (array $a, array $b): int => $a['source'] <=> $b['source']);

        return $rules;
    }
}
