<?php

declare(strict_types=1);

namespace Tests\App;

use Illuminate\Foundation\Application;
use Illuminate\Foundation\Testing\TestCase;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\Test;

/** What people read while something is broken, and what is written down of it. */
final class FaultsTest extends TestCase
{
    public function createApplication(): Application
    {
        $app = require __DIR__.'/../../bootstrap/app.php';
        $app->make(\Illuminate\Contracts\Console\Kernel::class)->bootstrap();

        return $app;
    }

    #[Test]
    public function while_the_database_cannot_be_reached_everybody_is_told_so_and_when_to_come_back(): void
    {
        config([
            'database.connections.pgsql.port' => 1,
            'logging.default' => 'null',
            'logging.channels.null' => ['driver' => 'monolog', 'handler' => \Monolog\Handler\NullHandler::class],
        ]);
        DB::purge();
        $this->getJson('http://editor.test/api/v1/session')
            ->assertStatus(503)
            ->assertHeader('Content-Type', 'application/problem+json')
            ->assertJsonPath('title', 'The database cannot be reached');
        $this->get('http://ferries.test/fares')
            ->assertStatus(503)
            ->assertHeader('Retry-After')
            ->assertSee('Not available at this moment')
            ->assertDontSee('SQLSTATE');
    }

    #[Test]
    public function recovering_and_crowded_databases_are_known_and_other_faults_are_not_taken_for_them(): void
    {
        $away = static fn (string $message): bool => \App\Http\DatabaseAway::isMeantBy(new \RuntimeException('outer', 0, new \PDOException($message)));
        foreach (
            [
                'SQLSTATE[08006] [7] connection to server at "127.0.0.1", port 1 failed: Connection refused',
                'SQLSTATE[08006] [7] FATAL:  the database system is in recovery mode',
                'SQLSTATE[57P03]: Cannot connect now: 7 FATAL:  the database system is starting up',
                'SQLSTATE[57P01]: Admin shutdown: 7 FATAL',
                'SQLSTATE[53300]: Too many connections: 7 FATAL',
            ] as $message
        ) {
            self::assertTrue($away($message), $message);
        }
        foreach (['SQLSTATE[23505]: Unique violation', 'SQLSTATE[22021]: Character not in repertoire', 'SQLSTATE[42601]: Syntax error'] as $message) {
            self::assertFalse($away($message), $message);
        }
    }

    #[Test]
    public function a_failed_statement_is_written_down_without_the_words_in_it(): void
    {
        $folder = sys_get_temp_dir().'/heronstem-log-'.bin2hex(random_bytes(6));
        config(['logging.channels.daily.path' => "$folder/heronstem.log"]);
        \Illuminate\Support\Facades\Log::forgetChannel('daily');
        try {
            DB::select('select ?::int', ['a secret of somebody']);
        } catch (\Throwable $error) {
            app(\Illuminate\Contracts\Debug\ExceptionHandler::class)->report($error);
        }
        $written = implode('', array_map(file_get_contents(...), glob("$folder/*") ?: []));
        exec('rm -rf '.escapeshellarg($folder));
        self::assertStringContainsString('SQLSTATE 22P02', $written);
        self::assertStringContainsString('select ?::int', $written);
        self::assertStringNotContainsString('secret', $written);
    }
}
