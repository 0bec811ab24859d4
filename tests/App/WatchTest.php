<?php

declare(strict_types=1);

namespace Tests\App;

use App\Desk\Watch\ReadyNode;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\Test;
use Symfony\Component\HttpFoundation\Response;

/** What a node says to those who watch it, on a port of its own. */
final class WatchTest extends AppTestCase
{
    #[Test]
    public function a_node_says_whether_it_lives_and_whether_it_can_answer(): void
    {
        $this->watched('/healthz')->assertOk()->assertContent("ok\n");
        $this->watched('/readyz')->assertOk()->assertJsonPath('ready', true)->assertJsonPath('checks.database', 'ok');
        $this->watched('/else')->assertNotFound();
        $this->get('http://editor.test/readyz')->assertDontSee('checks');

        DB::table('migrations')->orderByDesc('id')->limit(1)->delete();
        $this->watched('/readyz')->assertStatus(503)->assertJsonPath('ready', false);
        self::assertStringContainsString(
            '1 changes to the database are not made yet',
            (string) $this->app->make(ReadyNode::class)->problems()['migrations'],
        );

        config(['database.connections.pgsql.port' => 1]);
        DB::purge();
        $problems = $this->app->make(ReadyNode::class, ['db' => DB::connection()])->problems();
        self::assertStringContainsString('The database does not answer', (string) $problems['database']);
        self::assertSame('Not looked at: the database does not answer.', $problems['clock']);
        self::assertNull($problems['storage']);
    }

    #[Test]
    public function figures_are_in_the_text_format_that_is_read_by_line(): void
    {
        $this->live('Times');
        DB::table('failed_jobs')->insert(['uuid' => 'a', 'connection' => 'database', 'queue' => 'default', 'payload' => '{}', 'exception' => 'x']);
        $text = (string) $this->watched('/metrics')
            ->assertOk()
            ->assertHeader('Content-Type', 'text/plain; version=0.0.4; charset=utf-8')
            ->getContent();
        foreach (explode("\n", rtrim($text)) as $line) {
            self::assertMatchesRegularExpression(
                '/^(?:# (?:HELP|TYPE) heronstem_\w+ .+|heronstem_\w+(?:\{\w+="[^"]*"(?:,\w+="[^"]*")*\})? \d+(?:\.\d+)?)$/D',
                $line,
            );
        }
        self::assertStringContainsString("\nheronstem_pages{site=\"ferries\"} 1\n", $text);
        self::assertStringContainsString("\nheronstem_queue_failed_jobs 1\n", $text);
        self::assertStringContainsString("\nheronstem_up 1\n", $text);
    }

    #[Test]
    public function a_slow_request_is_logged_with_its_statements_and_without_what_was_asked(): void
    {
        $this->live('Times');
        config(['heronstem.slow' => 0, 'heronstem.server_timing' => true]);
        $path = sys_get_temp_dir().'/heronstem-log-'.bin2hex(random_bytes(6));
        config(['logging.channels.daily.path' => "$path/h.log"]);
        Log::forgetChannel('daily');
        $_SERVER['REQUEST_ID'] = 'abc123';
        $answer = $this->call(
            'GET',
            'http://ferries.test/times?secret=word',
            server: ['PAGE_KEY' => 'http://ferries.test/times?secret=word'],
        )->assertOk();
        unset($_SERVER['REQUEST_ID']);
        self::assertMatchesRegularExpression(
            '/^app;dur=[\d.]+, db;dur=[\d.]+;desc="\d+ statements"$/D',
            (string) $answer->headers->get('Server-Timing'),
        );
        $lines = file("$path/h-".date('Y-m-d').'.log') ?: [];
        exec('rm -rf '.escapeshellarg($path));
        self::assertCount(1, $lines);
        $said = json_decode($lines[0], true, flags: JSON_THROW_ON_ERROR);
        self::assertSame(
            ['A request took long', 'abc123', '/times', 200],
            [$said['message'], $said['extra']['request'], $said['context']['path'], $said['context']['status']],
        );
        self::assertGreaterThan(3, $said['context']['statements']);
        self::assertStringNotContainsString('secret', $lines[0]);
    }

    /** @return TestResponse<Response> */
    private function watched(string $path): TestResponse
    {
        return $this->call('GET', "http://127.0.0.1:8087$path", server: ['WATCH' => '1', 'PAGE_KEY' => "http://127.0.0.1:8087$path"]);
    }
}
