<?php

declare(strict_types=1);

namespace Tests\App;

use App\Models\Site;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\Test;

/** What happens at the same time, or half way: nothing of it may be seen afterwards. */
final class TwoWritersTest extends AppTestCase
{
    /** @var list<string> none: other processes see only what is committed */
    protected array $connectionsToTransact = [];

    protected function tearDown(): void
    {
        Site::query()
            ->whereIn('key', ['ferries'])
            ->update(['start_page_id' => null]);
        DB::delete("delete from ledger where site_id in (select id from sites where key = 'ferries')");
        DB::update(
            "update pages set parent_id = null, position = id, state = 'draft', bin_id = null, was = null where site_id in (select id from sites where key = 'ferries')",
        );
        DB::delete("delete from sites where key = 'ferries'");
        DB::delete('delete from users');
        parent::tearDown();
    }

    #[Test]
    public function two_writers_at_once_leave_a_site_that_keeps_every_invariant(): void
    {
        $help = $this->live('Help');
        $this->live('Times', $help);
        $this->live('Travel');
        $running = [];
        foreach ([11, 22] as $seed) {
            $running[] = [
                proc_open(
                    [PHP_BINARY, __DIR__.'/writer.php', 'ferries', (string) $seed, '100'],
                    [1 => ['pipe', 'w'], 2 => ['file', '/dev/null', 'w']],
                    $pipes,
                ),
                $pipes[1],
            ];
        }
        $applied = 0;
        foreach ($running as [$process, $out]) {
            $said = (string) stream_get_contents($out);
            self::assertSame(0, proc_close($process), $said);
            $outcomes = json_decode($said, true);
            self::assertIsArray($outcomes, "A writer said: $said");
            $applied += $outcomes['applied'];
        }
        self::assertGreaterThan(30, $applied);
        $this->assertInvariants();
        self::assertSame($applied, (int) DB::table('history')->where('site_id', $this->site->id)->count() - 6);
    }

    #[Test]
    public function a_writer_killed_at_any_point_leaves_nothing_half_done(): void
    {
        $help = $this->live('Help');
        $this->live('Times', $help);
        $before = DB::table('history')->where('site_id', $this->site->id)->count();
        foreach ([1, 4, 7, 12, 15] as $seed => $lines) {
            $process = proc_open(
                [PHP_BINARY, __DIR__.'/writer.php', 'ferries', (string) $seed, '1000'],
                [1 => ['file', '/dev/null', 'w'], 2 => ['pipe', 'w']],
                $pipes,
            );
            // Killed at something that it says, so that a busy machine changes nothing: while it applies a batch, or between two.
            for ($n = 0; $n < $lines; $n++) {
                self::assertIsString(fgets($pipes[2]), "The writer ended after $n lines.");
            }
            proc_terminate($process, SIGKILL);
            proc_close($process);
            $this->assertInvariants();
        }
        self::assertGreaterThan($before, DB::table('history')->where('site_id', $this->site->id)->count());
    }

    #[Test]
    public function a_database_that_went_away_is_said_and_the_next_try_goes_on(): void
    {
        $help = $this->live('Help');
        DB::select('select set_config(?, ?, false)', ['application_name', 'to-be-ended']);
        $own = DB::selectOne('select pg_backend_pid() as pid')->pid;
        DB::connection()->beginTransaction();
        $other = new \PDO(
            sprintf(
                'pgsql:host=%s;port=%s;dbname=%s',
                config('database.connections.pgsql.host'),
                config('database.connections.pgsql.port'),
                config('database.connections.pgsql.database'),
            ),
            config('database.connections.pgsql.username'),
            config('database.connections.pgsql.password'),
        );
        // Waits on the server until the session has ended, or says that it has not.
        self::assertTrue($other->query("select pg_terminate_backend($own, 30000)")->fetchColumn());
        $this->api('POST', 'batches', ['changes' => [['kind' => 'rename', 'page' => $help, 'name' => 'Aid']]])
            ->assertStatus(503)
            ->assertJsonPath('title', 'The database cannot be reached');
        DB::purge();
        $this->api('POST', 'batches', ['changes' => [['kind' => 'rename', 'page' => $help, 'name' => 'Aid']]])->assertCreated();
        $this->assertInvariants();
    }

    #[Test]
    public function two_moves_that_would_together_make_a_cycle_cannot_both_happen(): void
    {
        $one = $this->live('One');
        $two = $this->live('Two');
        $move = fn (string $page, string $into): array => ['changes' => [['kind' => 'move', 'page' => $page, 'place' => ['last' => $into]]]];
        $first = $this->api('POST', 'ripple', $move($one, $two))->json('digest');
        $second = $this->api('POST', 'ripple', $move($two, $one))->json('digest');
        $this->api('POST', 'batches', [...$move($one, $two), 'digest' => $first])->assertCreated();
        $this->api('POST', 'batches', [...$move($two, $one), 'digest' => $second])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'changes.0.place');
        $this->assertInvariants();
    }

    #[Test]
    public function an_apply_that_breaks_half_way_leaves_nothing(): void
    {
        $help = $this->live('Help');
        $times = $this->live('Times', $help);
        $this->live('Summer', $times);
        $travel = $this->live('Travel');
        $before = $this->snapshot();
        $entries = DB::table('history')->count();
        // The ledger is written last: break it there, when pages have been moved already.
        DB::unprepared(
            "create function break_it() returns trigger language plpgsql as 'begin raise exception ''the plug was pulled''; end'; create trigger break_it before insert on ledger execute function break_it()",
        );
        try {
            $this->api('POST', 'batches', ['changes' => [['kind' => 'move', 'page' => $times, 'place' => ['last' => $travel]]]])->assertStatus(500);
        } finally {
            DB::unprepared('drop trigger break_it on ledger; drop function break_it()');
        }
        self::assertEquals($before, $this->snapshot());
        self::assertSame($entries, DB::table('history')->count());
        $this->assertInvariants();
    }

    #[Test]
    public function the_database_itself_refuses_a_second_holder_of_an_address(): void
    {
        $this->live('Help');
        $this->expectExceptionMessageMatches('/unique constraint/');
        DB::insert(
            "insert into ledger (site_id, key, address, kind, page_id) select site_id, key, address, 'redirect', page_id from ledger where site_id = ?",
            [$this->site->id],
        );
    }
}
