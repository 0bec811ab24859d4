<?php

declare(strict_types=1);

namespace Tests\App;

use App\Desk\CountHits;
use App\Desk\ImportRedirects;
use App\Jobs\MakeRedirects;
use App\Models\HistoryEntry;
use App\Models\RedirectImport;
use App\Store\HitLog;
use Heronstem\Core\Redirect\RequestOrigin;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;

/** Files as people have them: each row is made, or told why not; large ones are made in the background. */
final class ImportTest extends AppTestCase
{
    /** @return iterable<string, array{string, list<array{int, string|null, string|null}>}> text, and by line the field and a word of the reason */
    public static function rows(): iterable
    {
        yield 'a quote that is never closed' => [
            "source,target\n/a,/x\n\"/b,/x\n/c,/x\n/d,/x",
            [[2, null, null], [3, 'address', 'never closed'], [4, null, null], [5, null, null]],
        ];
        yield 'two that are closed late' => [
            "source,target,note\n/a,/x,\"one\ntwo\"\n/b,/x,\"open\n/c,/x,y",
            [[2, null, null], [4, 'address', 'never closed'], [5, null, null]],
        ];
        yield 'another host without its scheme' => [
            "source,target\n/a,//evil.example/x\n//evil.example/y,/x",
            [[2, 'leadsTo', 'name another host'], [3, 'address', 'name another host']],
        ];
        yield 'gone with a target' => ["source,target,answer\n/a,/x,410\n/b,,410", [[2, 'leadsTo', 'leads nowhere'], [3, null, null]]];
    }

    /** @param  list<array{int, string|null, string|null}>  $expected */
    #[Test, DataProvider('rows')]
    public function each_row_is_taken_or_told_why_not(string $text, array $expected): void
    {
        $rows = $this->api('POST', 'redirects-import', ['text' => $text])
            ->assertOk()
            ->json('rows');
        self::assertSame(
            array_map(static fn (array $row): array => [$row[0], $row[1]], $expected),
            array_map(static fn (array $row): array => [$row['line'], $row['field'] === 'source' ? 'address' : $row['field']], $rows),
        );
        foreach ($expected as $i => [, , $word]) {
            self::assertStringContainsString($word ?? '', (string) $rows[$i]['reason']);
        }
    }

    #[Test]
    public function a_file_without_a_row_is_no_import(): void
    {
        foreach (["source,target\n", "\n\n", 'address;leads to'] as $text) {
            $this->api('POST', 'redirects-import', ['text' => $text, 'make' => 'good'])
                ->assertStatus(422)
                ->assertJsonPath('errors.0.field', 'text');
        }
    }

    #[Test]
    public function notes_that_a_spreadsheet_would_take_for_formulas_come_back_as_they_were(): void
    {
        $notes = ['=1+1', '+x', '-y', '@z', "'=1", "'quoted'", 'plain'];
        foreach ($notes as $n => $note) {
            $this->redirect(['source' => "/n$n", 'leadsTo' => ['address' => '/x'], 'note' => $note]);
        }
        $csv = $this->api('GET', 'redirects-export?format=csv')->streamedContent();
        self::assertDoesNotMatchRegularExpression('/(?:^|,)[=+@]/m', $csv);
        DB::table('redirect_rules')->where('site_id', $this->site->id)->delete();
        DB::table('ledger')->where('site_id', $this->site->id)->where('kind', 'rule')->delete();
        $this->api('POST', 'redirects-import', ['text' => $csv, 'make' => 'all'])->assertOk();
        self::assertEqualsCanonicalizing($notes, DB::table('redirect_rules')->where('site_id', $this->site->id)->pluck('note')->all());
    }

    #[Test]
    public function many_rows_are_made_in_the_background_with_progress_and_undone_like_any_change(): void
    {
        Queue::fake();
        $count = ImportRedirects::AT_ONCE + 1;
        $text = "source,target\n".implode('', array_map(static fn (int $n): string => "/old/$n,/new/$n\n", range(1, $count)));
        $progress = $this->api('POST', 'redirects-import', ['text' => $text, 'make' => 'good', 'note' => 'Relaunch'])
            ->assertStatus(202)
            ->assertJsonPath('entries', [])
            ->assertJsonPath('progress.state', 'waiting')
            ->assertJsonPath('progress.total', $count)
            ->json('progress');
        Queue::assertPushed(MakeRedirects::class);
        self::assertSame(0, DB::table('redirect_rules')->where('site_id', $this->site->id)->count());

        $import = RedirectImport::query()->where('ulid', $progress['id'])->firstOrFail();
        (new MakeRedirects($import->id))->handle($this->app->make(ImportRedirects::class));
        $done = $this->api('GET', "redirects-import/{$progress['id']}")
            ->assertOk()
            ->assertJsonPath('state', 'done')
            ->assertJsonPath('done', $count)
            ->json();
        self::assertSame($count, DB::table('redirect_rules')->where('site_id', $this->site->id)->count());
        self::assertSame(['Relaunch'], HistoryEntry::query()->whereIn('ulid', $done['entries'])->pluck('note')->unique()->all());
        $this->api('POST', 'undo', ['entries' => $done['entries']])->assertCreated();
        self::assertSame(0, DB::table('redirect_rules')->where('site_id', $this->site->id)->count());
    }

    #[Test]
    public function an_import_that_was_interrupted_goes_on_where_it_was_and_one_that_is_stopped_does_not(): void
    {
        Queue::fake();
        $text = "source,target\n".implode('', array_map(static fn (int $n): string => "/old/$n,/new/$n\n", range(1, ImportRedirects::AT_ONCE + 1)));
        $id = (string) $this->api('POST', 'redirects-import', ['text' => $text, 'make' => 'good'])->json('progress.id');
        $this->redirect(['source' => '/old/7', 'leadsTo' => ['address' => '/elsewhere']]);
        $import = RedirectImport::query()->where('ulid', $id)->firstOrFail();
        $this->api('DELETE', "redirects-import/$id")
            ->assertOk()
            ->assertJsonPath('state', 'stopped');
        (new MakeRedirects($import->id))->handle($this->app->make(ImportRedirects::class));
        self::assertSame(1, DB::table('redirect_rules')->where('site_id', $this->site->id)->count());
        $import->refresh()->update(['state' => 'running']);
        (new MakeRedirects($import->id))->handle($this->app->make(ImportRedirects::class));
        self::assertSame(ImportRedirects::AT_ONCE + 1, DB::table('redirect_rules')->where('site_id', $this->site->id)->count());
        self::assertSame(
            'address /elsewhere',
            DB::table('redirect_rules')->where('site_id', $this->site->id)->where('source', '/old/7')->value('target'),
        );
    }

    #[Test]
    public function referring_hosts_and_misses_are_bounded(): void
    {
        array_map(unlink(...), glob(storage_path('app/hits/*')) ?: []);
        $log = $this->app->make(HitLog::class);
        for ($n = 0; $n < 150; $n++) {
            $log->missed($this->site->id, '/missed', RequestOrigin::of('Mozilla/5.0', "https://host$n.example/", 'ferries.test'));
        }
        $this->app->make(CountHits::class)->count();
        $hosts = DB::table('missed_hits')->where('site_id', $this->site->id)->pluck('hits', 'referrer');
        self::assertSame([101, 150, 50], [$hosts->count(), (int) $hosts->sum(), (int) $hosts['(others)']]);
        DB::insert(
            "insert into missed_addresses (site_id, key, address, first_at, last_at)
                select ?, '/m' || n, '/m' || n, now(), now() - make_interval(secs => n) from generate_series(1, 50010) n",
            [$this->site->id],
        );
        $this->app->make(CountHits::class)->prune();
        $kept = DB::table('missed_addresses')->where('site_id', $this->site->id);
        self::assertSame(50_000, $kept->count());
        self::assertFalse($kept->clone()->where('key', '/m50010')->exists(), 'The one asked for longest ago makes room.');
        self::assertTrue($kept->clone()->where('key', '/m1')->exists());
    }

    #[Test]
    public function phones_are_people_and_programs_are_not(): void
    {
        $bot = static fn (string $agent): bool => RequestOrigin::of($agent, '', 'x.example')->isBot;
        foreach (
            [
                'Mozilla/5.0 (Linux; Android 11; CUBOT NOTE 20) AppleWebKit/537.36',
                'Mozilla/5.0 (Linux; Android 9; CUBOT) Mobile',
                'Mozilla/5.0 (iPhone; CPU iPhone OS 17_0 like Mac OS X)',
            ] as $person
        ) {
            self::assertFalse($bot($person), $person);
        }
        foreach (['axios/1.6.0', 'facebookexternalhit/1.1', 'WhatsApp/2.23', 'Googlebot/2.1', 'SomeBot', 'curl/8.0', ''] as $program) {
            self::assertTrue($bot($program), $program);
        }
    }
}
