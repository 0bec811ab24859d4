<?php

declare(strict_types=1);

namespace Tests\App;

use App\Desk\ApplyChanges;
use App\Desk\Rights;
use App\Desk\UnderWay\CarryOut;
use App\Desk\UnderWay\Heartbeat;
use App\Desk\UnderWay\ReadUnderWay;
use App\Desk\UnderWay\SiteBusy;
use App\Desk\UnderWay\SiteLock;
use App\Desk\UnderWay\Stopped;
use App\Http\Api\Problem;
use App\Jobs\CarryOutChange;
use App\Models\ChangeUnderWay;
use App\Models\HistoryEntry;
use App\Models\Site;
use Heronstem\Core\Access\Role;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\Unpin;
use Heronstem\Core\Refusal;
use Heronstem\Core\Workspace\Authority;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;

/** Changes that concern many pages are made in the background: in one step, seen from outside, stopped, or not at all. */
final class LargeChangesTest extends AppTestCase
{
    private string $help;

    private string $travel;

    protected function setUp(): void
    {
        parent::setUp();
        $this->help = $this->live('Help');
        foreach (['Refunds', 'Lost property', 'Dogs'] as $name) {
            $this->live($name, $this->help);
        }
        $this->travel = $this->live('Travel');
        config(['heronstem.large_change' => 4]);
    }

    #[Test]
    public function a_large_change_is_made_in_the_background_and_undone_there(): void
    {
        $before = $this->snapshot();
        $begun = $this->move()->assertStatus(202)->json();
        self::assertSame('Moving Help', $begun['title']);
        self::assertSame(4, $begun['pages']);
        $done = $this->api('GET', "under-way/{$begun['id']}")
            ->assertOk()
            ->json();
        self::assertSame('done', $done['state']);
        self::assertStringContainsString('Moved *Help* under *Travel*', $done['entry']['sentence']);
        self::assertSame([], $this->api('GET', 'under-way')->json());
        $this->visit('/help/dogs')->assertRedirect('http://ferries.test/travel/help/dogs');

        $undoing = $this->api('POST', "history/{$done['entry']['id']}/undo")
            ->assertStatus(202)
            ->json();
        self::assertStringStartsWith('Undoing “Moved Help', $undoing['title']);
        self::assertSame('done', $this->api('GET', "under-way/{$undoing['id']}")->json('state'));
        self::assertEquals($before, $this->snapshot());
        $this->assertInvariants();
    }

    #[Test]
    public function a_large_plan_is_applied_in_the_background_whole_or_in_part(): void
    {
        $plan = $this->api('POST', 'plans', ['name' => 'Next year'])->json('id');
        $step = $this->api('POST', "plans/$plan/steps", ['changes' => [$this->moving()]])
            ->assertCreated()
            ->json('id');
        $small = $this->api('POST', "plans/$plan/steps", ['changes' => [['kind' => 'rename', 'page' => $this->travel, 'name' => 'Going']]])->json(
            'id',
        );
        $this->api('POST', "plans/$plan/switched", ['only' => [$small]])->assertStatus(201);
        $begun = $this->api('POST', "plans/$plan/switched", ['only' => [$step]])
            ->assertStatus(202)
            ->json();
        self::assertSame(['Applying the plan Next year', 4], [$begun['title'], $begun['pages']]);
        $done = $this->api('GET', "under-way/{$begun['id']}")->json();
        self::assertSame('done', $done['state'], (string) $done['problem']);
        self::assertSame($done['entry']['id'], $this->api('GET', "plans/$plan")->json('plan.entry'));
        $this->visit('/help/dogs')->assertRedirect('http://ferries.test/travel/help/dogs');
        $this->api('POST', "plans/$plan/switched")->assertStatus(422);
        $this->api('POST', "history/{$done['entry']['id']}/undo")->assertStatus(202);
        $this->visit('/help/dogs')->assertOk();
        $this->assertInvariants();
    }

    #[Test]
    public function a_large_plan_that_contradicts_the_site_by_then_is_refused_and_stays_open(): void
    {
        Queue::fake([CarryOutChange::class]);
        $plan = $this->api('POST', 'plans', ['name' => 'Next year'])->json('id');
        $this->api('POST', "plans/$plan/steps", ['changes' => [$this->moving()]])->assertCreated();
        $begun = $this->api('POST', "plans/$plan/switched")
            ->assertStatus(202)
            ->json();
        $this->change(['kind' => 'put-in-bin', 'page' => $this->travel]);
        $this->work();
        $ended = $this->api('GET', "under-way/{$begun['id']}")->json();
        self::assertSame('refused', $ended['state']);
        self::assertStringContainsString('can no longer be made', $ended['problem']);
        self::assertSame('open', $this->api('GET', "plans/$plan")->json('plan.state'));
    }

    #[Test]
    public function a_large_import_is_told_to_everybody_and_can_be_looked_at_again_where_it_was_stopped(): void
    {
        Queue::fake([CarryOutChange::class]);
        $give = fn (): string => $this->app
            ->make(\App\Desk\BringIn\GiveSource::class)
            ->give($this->site->refresh(), $this->manager, 'old.csv', "address,name\n/a,A\n/b,B\n/c,C\n/d,D\n", 'text')->ulid;
        $source = $give();
        $this->api('POST', "bring-in/$source/applied")
            ->assertStatus(202)
            ->assertJsonPath('state', 'applying');
        $other = $this->person('Isla', Role::MANAGER);
        $running = $this->api('GET', 'under-way', as: $other)->json();
        self::assertSame([['Importing old.csv', 4]], array_map(static fn (array $each): array => [$each['title'], $each['pages']], $running));
        // Somebody else's waits for it.
        $second = $give();
        $this->api('POST', "bring-in/$second/applied")->assertStatus(422);
        self::assertSame('ready', $this->api('GET', "bring-in/$second")->json('state'));
        $this->api('DELETE', "under-way/{$running[0]['id']}")->assertNoContent();
        $this->work();
        $after = $this->api('GET', "bring-in/$source")->json();
        self::assertSame(['ready', 'It was stopped before it began.'], [$after['state'], $after['problem']]);
        $this->api('POST', "bring-in/$source/applied")->assertStatus(202);
        $this->app->make(CarryOut::class)->of(ChangeUnderWay::query()->orderByDesc('id')->firstOrFail());
        self::assertSame('applied', $this->api('GET', "bring-in/$source")->json('state'));
        self::assertSame('/a', $this->api('GET', 'go-to?text=A')->json('0.address'));
        $this->assertInvariants();
    }

    #[Test]
    public function what_concerns_few_pages_is_made_at_once(): void
    {
        $this->api('POST', 'batches', ['changes' => [['kind' => 'describe', 'page' => $this->help, 'summary' => 'Where to ask.']]])->assertStatus(
            201,
        );
        $this->api('POST', 'batches', ['changes' => [['kind' => 'rename', 'page' => $this->travel, 'name' => 'Going']]])->assertStatus(201);
        self::assertSame(0, ChangeUnderWay::query()->count());
    }

    #[Test]
    public function what_does_not_fit_a_request_is_refused_with_the_way_out(): void
    {
        $id = strtolower((string) Str::ulid());
        DB::statement(
            "insert into history (ulid, site_id, sentence, batch, counts, pages, claims, touched) select '$id', ?, 'Much', '[]', '{}', '[]', '[]', array_agg(n::text) from generate_series(1, 400000) n",
            [$this->site->id],
        );
        $limit = (string) ini_set('memory_limit', '1G');
        try {
            $this->api('POST', "history/$id/ripple")
                ->assertStatus(422)
                ->assertJsonPath(
                    'errors.0.reason',
                    'This concerns about 400,000 pages, and what follows can be worked out for 251,658 at once. Do it for the branches below, one after the other.',
                );
            $this->api('POST', 'ripple', ['changes' => [$this->moving()]])->assertOk();
        } finally {
            ini_set('memory_limit', $limit);
        }
    }

    #[Test]
    public function what_would_follow_is_something_else_by_then_and_nothing_is_done(): void
    {
        Queue::fake([CarryOutChange::class]);
        $digest = $this->api('POST', 'ripple', ['changes' => [$this->moving()]])->json('digest');
        $begun = $this->move(['digest' => $digest])->json();
        $this->live('Parking', $this->help);
        $before = $this->snapshot();
        $this->work();
        $ended = $this->api('GET', "under-way/{$begun['id']}")->json();
        self::assertSame(['refused', true], [$ended['state'], $ended['lookAgain']]);
        self::assertStringContainsString('Somebody changed the site meanwhile', $ended['problem']);
        self::assertEquals($before, $this->snapshot());
    }

    #[Test]
    public function rights_that_ended_meanwhile_are_none(): void
    {
        Queue::fake([CarryOutChange::class]);
        $begun = $this->move()->json();
        $this->say($this->manager, 'structure', 'deny', $this->help);
        $this->work();
        $ended = $this->api('GET', "under-way/{$begun['id']}")->json();
        self::assertSame('refused', $ended['state'], (string) $ended['problem']);
        $this->visit('/help/dogs')->assertOk();
    }

    #[Test]
    public function one_that_waits_is_stopped_by_whoever_asked_for_it_or_an_owner(): void
    {
        Queue::fake([CarryOutChange::class]);
        $begun = $this->move()->json();
        $other = $this->person('Isla', Role::MANAGER);
        self::assertSame(
            [['Moving Help', 'Mairi', false, 'waiting']],
            array_map(
                static fn (array $each): array => [$each['title'], $each['by'], $each['own'], $each['state']],
                $this->api('GET', 'under-way', as: $other)->json(),
            ),
        );
        $this->api('DELETE', "under-way/{$begun['id']}", as: $other)->assertForbidden();
        $this->api('POST', 'batches', ['changes' => [['kind' => 'put-in-bin', 'page' => $this->help]], 'defaults' => true], $other)
            ->assertStatus(422)
            ->assertJsonPath(
                'errors.0.reason',
                'Mairi is making a large change of this site. Yours can be made as soon as that is done, or stopped.',
            );
        $this->api('DELETE', "under-way/{$begun['id']}", as: $this->person('Greta', Role::OWNER))->assertNoContent();
        $this->work();
        self::assertSame('stopped', $this->api('GET', "under-way/{$begun['id']}")->json('state'));
        $this->visit('/help/dogs')->assertOk();
    }

    #[Test]
    #[TestWith([31, true, 'failed'])]
    #[TestWith([31, false, 'writing'])]
    #[TestWith([5, true, 'writing'])]
    public function one_whose_worker_is_gone_is_closed(int $silent, bool $isFree, string $state): void
    {
        // What was applied on the other site is held by this test's transaction.
        $site = $isFree ? $this->quiet() : $this->site;
        ChangeUnderWay::query()->create([
            'site_id' => $site->id,
            'title' => 'Moving',
            'asked' => [],
            'confirmed' => true,
            'pages' => 9,
            'state' => 'writing',
            'beat_at' => now()->subSeconds($silent),
        ]);
        $this->app->make(ReadUnderWay::class)->running($site);
        self::assertSame($state, ChangeUnderWay::query()->where('site_id', $site->id)->value('state'));
    }

    #[Test]
    public function who_applies_meanwhile_is_told_instead_of_kept_waiting(): void
    {
        config(['heronstem.lock_wait' => 50]);
        $site = $this->quiet();
        $making = fn (): HistoryEntry => $this->app
            ->make(ApplyChanges::class)
            ->apply($site, $this->manager, Batch::of(new Unpin((string) Str::ulid())), rights: Rights::of(Authority::Owner));
        DB::connection('beside')->select('select pg_advisory_lock(?, ?)', SiteLock::of($site));
        try {
            $making();
            self::fail('It did not wait.');
        } catch (SiteBusy $busy) {
            self::assertSame(423, Problem::from($busy)?->getStatusCode());
        } finally {
            DB::purge('beside');
        }
        $this->expectException(Refusal::class); // whatever it says: it came to it
        $making();
    }

    #[Test]
    public function being_told_to_stop_is_heard_while_it_is_written(): void
    {
        $beside = DB::connection('beside');
        $beside->beginTransaction();
        try {
            $site = $beside
                ->table('sites')
                ->insertGetId(['key' => 'beside', 'ulid' => (string) Str::ulid(), 'name' => 'Beside', 'origin' => 'http://beside.test']);
            $id = $beside->table('changes_under_way')->insertGetId([
                'ulid' => (string) Str::ulid(),
                'site_id' => $site,
                'title' => 'Moving',
                'asked' => '{}',
                'confirmed' => true,
                'pages' => 9,
            ]);
            $change = (new ChangeUnderWay())->forceFill(['id' => $id]);
            $beat = $this->app->make(Heartbeat::class);
            $beat->begin($change, 'writing', 200);
            self::assertSame('writing', $beside->table('changes_under_way')->where('id', $id)->value('state'));
            $beside
                ->table('changes_under_way')
                ->where('id', $id)
                ->update(['stop_asked' => true]);
            $this->expectException(Stopped::class);
            $beat->begin($change, 'writing', 200);
        } finally {
            $beside->rollBack();
        }
    }

    #[Test]
    public function what_a_change_did_to_more_pages_than_one_part_holds_comes_back_exactly(): void
    {
        config(['heronstem.large_change' => 100_000]);
        foreach (range(1, 11) as $n) {
            $section = $this->draft("Section $n", $this->help);
            $this->change(
                ...array_map(
                    static fn (int $m): array => [
                        'kind' => 'make',
                        'page' => (string) Str::ulid(),
                        'name' => "Page $n $m",
                        'place' => ['last' => $section],
                    ],
                    range(1, 100),
                ),
            );
        }
        $before = $this->snapshot();
        $entry = $this->move()->assertStatus(201)->json();
        $kept = HistoryEntry::query()->where('ulid', $entry['id'])->firstOrFail();
        self::assertGreaterThan(0, (int) DB::table('history_parts')->where('entry_id', $kept->id)->count());
        self::assertSame(2 * (4 + 1111) - 1111 + 1111, count(iterator_to_array($kept->claimDifferences($this->site->rules()), false)));
        $moved = $this->api('GET', "history/{$entry['id']}/rows/addresses?offset=0")->json();
        self::assertSame(1115, $moved['total']);
        $this->api('POST', "history/{$entry['id']}/undo")->assertStatus(201);
        self::assertEquals($before, $this->snapshot());
        $this->assertInvariants();

        $copy = (string) Str::ulid();
        $copied = $this->change(['kind' => 'duplicate', 'page' => $this->help, 'copy' => $copy, 'scope' => 'branch']);
        $copies = [];
        do {
            $rows = $this->api('GET', "history/{$copied->ulid}/rows/copies?offset=".count($copies))->json();
            self::assertSame(1115, $rows['total']);
            $copies = [...$copies, ...array_column($rows['rows'], 'page')];
        } while ($rows['rows'] !== []);
        self::assertCount(1115, array_unique($copies));
        self::assertContains($copy, $copies);
    }

    /** A site on which nothing was applied, so that nothing of it is held. */
    private function quiet(): Site
    {
        return Site::query()
            ->create(['key' => 'quiet', 'name' => 'Quiet', 'origin' => 'http://quiet.test'])
            ->refresh();
    }

    /** @return array<string, mixed> */
    private function moving(): array
    {
        return ['kind' => 'move', 'page' => $this->help, 'place' => ['last' => $this->travel]];
    }

    /** @param  array<string, mixed>  $more */
    private function move(array $more = []): \Illuminate\Testing\TestResponse
    {
        return $this->api('POST', 'batches', ['changes' => [$this->moving()], ...$more]);
    }

    private function work(): void
    {
        $this->app->make(CarryOut::class)->of(ChangeUnderWay::query()->firstOrFail());
    }
}
