<?php

declare(strict_types=1);

namespace Tests\App;

use App\Desk\CountHits;
use App\Store\HitLog;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\Test;

/** Hits are noted beside the answer and counted in batches: none is lost, whoever is killed meanwhile, and none is counted twice. */
final class HitsTest extends AppTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        array_map(unlink(...), glob(storage_path('app/hits/*')) ?: []);
    }

    #[Test]
    public function what_a_killed_process_said_it_noted_is_counted_while_others_go_on_noting(): void
    {
        $noters = [];
        foreach (['A', 'B', 'C'] as $rule) {
            $process = proc_open(
                [PHP_BINARY, __DIR__.'/noter.php', (string) $this->site->id, $rule],
                [1 => ['pipe', 'w'], 2 => ['file', '/dev/null', 'w']],
                $pipes,
            );
            self::assertIsResource($process);
            stream_set_blocking($pipes[1], false);
            $noters[$rule] = ['process' => $process, 'pipe' => $pipes[1], 'text' => ''];
        }
        $count = app(CountHits::class);
        $ends = microtime(true) + 20;
        while (min(array_map($this->said(...), array_column($noters, 'text'))) < 300 && microtime(true) < $ends) {
            foreach ($noters as $rule => $noter) {
                $noters[$rule]['text'] .= stream_get_contents($noter['pipe']);
            }
            $count->count();
            usleep(5000);
        }
        foreach ($noters as $rule => $noter) {
            posix_kill(proc_get_status($noter['process'])['pid'], SIGKILL);
            stream_set_blocking($noter['pipe'], true);
            $noters[$rule]['text'] .= stream_get_contents($noter['pipe']);
            proc_close($noter['process']);
        }
        $count->count();
        $count->count();
        $counted = array_map(
            intval(...),
            DB::table('redirect_hits')
                ->where('site_id', $this->site->id)
                ->groupBy('rule')
                ->selectRaw('rule, sum(hits) as hits')
                ->pluck('hits', 'rule')
                ->all(),
        );
        foreach ($noters as $rule => $noter) {
            $said = $this->said($noter['text']);
            self::assertGreaterThanOrEqual(300, $said);
            // It may have been killed after noting one and before saying so.
            self::assertContains($counted[$rule] - $said, [0, 1], "$rule was noted $said times and counted {$counted[$rule]} times");
        }
        self::assertSame([], glob(storage_path('app/hits/*')) ?: []);
    }

    #[Test]
    public function a_line_that_was_cut_short_is_passed_over_and_a_batch_that_is_gone_is_no_fault(): void
    {
        $log = app(HitLog::class);
        @mkdir(storage_path('app/hits'), 0775, true);
        file_put_contents(
            storage_path('app/hits/batch-cut'),
            json_encode([$this->site->id, 'rule', 'A', gmdate('Y-m-d'), '', false, time()])."\n[{$this->site->id},\"rule\",\"A",
        );
        app(CountHits::class)->count();
        self::assertSame(1, (int) DB::table('redirect_hits')->where('rule', 'A')->sum('hits'));
        self::assertSame([], iterator_to_array($log->lines(storage_path('app/hits/batch-nobody')), false));
        self::assertSame([], $log->batches());
    }

    /** The last number that was said whole. */
    private function said(string $text): int
    {
        return preg_match_all('/(\d+)\n/', $text, $found) > 0 ? (int) end($found[1]) : 0;
    }

    #[Test]
    public function hits_are_told_by_day_week_and_month_and_none_falls_between(): void
    {
        DB::insert("insert into missed_addresses (site_id, key, address, first_at, last_at) values (?, '/lost', '/lost', now(), now())", [
            $this->site->id,
        ]);
        foreach ([0, 1, 8, 40, 100, 300] as $back) {
            DB::insert("insert into missed_hits (site_id, key, day, hits) values (?, '/lost', current_date - ?::int, 1)", [$this->site->id, $back]);
        }
        foreach (['day' => [42, 4], 'week' => [26, 5], 'month' => [24, 6]] as $span => [$spans, $hits]) {
            $days = $this->api('GET', "addresses/missed?address=/lost&span=$span")
                ->assertOk()
                ->json('days');
            self::assertCount($spans, $days, $span);
            self::assertSame($hits, array_sum(array_column($days, 'hits')), $span);
            self::assertSame(max(array_column($days, 'day')), $days[$spans - 1]['day'], 'The oldest first.');
        }
        $this->api('GET', 'addresses/missed?address=/lost&span=year')->assertUnprocessable()->assertJsonPath('errors.0.field', 'span');
    }
}
