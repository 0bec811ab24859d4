<?php

declare(strict_types=1);

namespace Tests\App;

use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Visitors are answered from a replica while it has what was written; never with what was before a change that was made here. */
final class ReplicaTest extends TestCase
{
    use RunsReplica, ServesForTests;

    private int $port;

    private int $renamed = 0;

    #[Test]
    public function visitors_are_answered_from_a_replica_and_never_see_what_was_before_a_change(): void
    {
        $this->startReplica();
        [$this->port, $watch] = [\Launch\Ports::free(18500), 0];
        $watch = \Launch\Ports::free($this->port + 1);
        $settings = $this->environment([
            'APP_KEY' => trim($this->must([self::command(), 'serve', '--key'])),
            'HERONSTEM_NODE' => 'test-r',
            'HERONSTEM_PORT' => (string) $this->port,
            'HERONSTEM_WATCH_PORT' => (string) $watch,
            'DB_REPLICA_HOST' => '127.0.0.1',
            'DB_REPLICA_PORT' => (string) $this->replicaPort,
        ]);
        $serve = $this->serve($settings);
        try {
            $artisan = fn (string ...$words): string => $this->must([self::command(), 'artisan', ...array_values($words)], $settings);
            $artisan('heronstem:load-demo');
            $artisan('heronstem:origins', 'ferries=http://ferries.test');
            $token = trim($artisan('heronstem:token', '--user=greta@skerrivane.example'));
            $page = $this->one("select p.ulid from pages p join sites s on s.id = p.site_id where s.key = 'ferries' and p.address = '/travel/fares'");

            $this->comesToBeAsked('Once it has everything, visitors are answered from it.');
            for ($n = 0; $n < 10; $n++) {
                $this->isSeenAtOnce($token, $page);
            }
            $this->onReplica('select pg_wal_replay_pause()');
            for ($n = 0; $n < 3; $n++) {
                $this->isSeenAtOnce($token, $page);
            }
            // Longer than it is believed: a change elsewhere would be behind by now.
            $asked = $this->questionsTo();
            for ($until = microtime(true) + 3; microtime(true) < $until;) {
                self::assertStringContainsString($this->called(), $this->fares(), 'One that does not follow any more is not asked.');
            }
            $this->onReplica('select pg_wal_replay_resume()');
            $this->comesToBeAsked('Once it follows again, it is asked again.');
            self::assertGreaterThan($asked, $this->questionsTo());
            self::assertSame(301, $this->ask("http://127.0.0.1:{$this->port}/travel/fares/", ['Host: ferries.test'])[0]);

            $this->stopReplica();
            for ($n = 0; $n < 3; $n++) {
                $this->isSeenAtOnce($token, $page);
            }
            self::assertStringContainsString('"ok":true', $artisan('heronstem:check', '--json'));
        } finally {
            $serve->signal(SIGTERM);
            $serve->wait();
            $this->stopReplica();
        }
    }

    private function isSeenAtOnce(string $token, string $page): void
    {
        $this->renamed++;
        $changes = [
            ['kind' => 'rename', 'page' => $page, 'name' => $this->called()],
            ['kind' => 'describe', 'page' => $page, 'heading' => $this->called()],
        ];
        [$status, , $said] = $this->ask(
            "http://127.0.0.1:{$this->port}/api/v1/sites/ferries/batches",
            ["Authorization: Bearer $token", 'Content-Type: application/json', 'Accept: application/json'],
            json_encode(['changes' => $changes], JSON_THROW_ON_ERROR),
        );
        self::assertSame(201, $status, $said);
        self::assertStringContainsString($this->called(), $this->fares());
    }

    private function called(): string
    {
        return "Fares of day {$this->renamed}.";
    }

    /** With a query, so that it is rendered anew. */
    private function fares(): string
    {
        [$status, $head, $said] = $this->ask("http://127.0.0.1:{$this->port}/travel/fares?n=".random_int(0, PHP_INT_MAX), ['Host: ferries.test']);
        self::assertSame(200, $status, $head);

        return $said;
    }

    /** How often the replica was asked for rows of pages: it says so of itself, some moments later. */
    private function questionsTo(): int
    {
        return (int) $this->onReplica('select sum(coalesce(idx_tup_fetch, 0) + seq_tup_read) from pg_stat_user_tables');
    }

    private function comesToBeAsked(string $message): void
    {
        $before = $this->questionsTo();
        for ($until = microtime(true) + 60, $asked = $before; $asked === $before && microtime(true) < $until; $asked = $this->questionsTo()) {
            $this->fares();
        }
        self::assertGreaterThan($before, $asked, $message);
    }
}
