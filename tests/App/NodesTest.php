<?php

declare(strict_types=1);

namespace Tests\App;

use Launch\Ports;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Two nodes over one database: each with a web server, workers and rendered pages of its own. */
final class NodesTest extends TestCase
{
    use KillsNodes, ServesForTests;

    /** Seconds for which something is waited for that has to come, on however busy a machine. */
    private const PATIENCE = 60;

    /** @var array<string, int> ports by node */
    private array $ports = [];

    private string $token;

    private ?string $renamed = null;

    #[Test]
    public function what_one_changes_the_other_shows_and_one_that_dies_loses_nothing(): void
    {
        $key = trim($this->must([self::command(), 'serve', '--key']));
        $from = 18340;
        $settings = [];
        foreach (['test-a', 'test-b'] as $name) {
            $this->ports[$name] = Ports::free($from);
            $watch = Ports::free($this->ports[$name] + 1);
            $from = $watch + 1;
            $settings[$name] = $this->environment([
                'APP_KEY' => $key,
                'HERONSTEM_NODE' => $name,
                'HERONSTEM_FILES' => "{$this->folder}/files",
                'HERONSTEM_PORT' => (string) $this->ports[$name],
                'HERONSTEM_WATCH_PORT' => (string) $watch,
            ]);
        }
        $artisan = fn (string ...$words): string => $this->must([self::command(), 'artisan', ...array_values($words)], $settings['test-a']);
        mkdir("{$this->folder}/files");
        chmod("{$this->folder}/files", 0777);
        $nodes = ['test-a' => $this->serve($settings['test-a'])];
        try {
            $artisan('heronstem:load-demo');
            $artisan('heronstem:origins', 'ferries=http://ferries.test');
            $this->token = trim($artisan('heronstem:token', '--user=greta@skerrivane.example'));
            $nodes['test-b'] = $this->serve($settings['test-b']);

            $this->shows('test-b', 'Fares');
            self::assertStringContainsString('X-Page-Cache: HIT', $this->page('test-b')[1]);
            $this->rename('test-a', 'Prices');
            self::assertStringContainsString('Prices', $this->page('test-a')[2], 'Whoever changed it sees it at once.');
            foreach (range(1, 10) as $n) {
                // Asked so often that each of the server's workers holds the file of it open.
                array_map(fn (int $time): array => $this->page('test-a'), range(1, 30));
                $this->rename('test-a', "Prices of $n");
                self::assertStringContainsString("Prices of $n", $this->page('test-a')[2]);
            }
            $this->rename('test-a', 'Prices');
            $this->shows('test-b', 'Prices');
            $this->rename('test-b', 'What it costs');
            $this->shows('test-a', 'What it costs');

            // One is gone from one moment to the next, with everything that it runs; the other goes on.
            $this->killNode($nodes['test-b'], 'test-b');
            for ($i = 0; $i < 20; $i++) {
                self::assertSame(200, $this->page('test-a')[0]);
            }
            $this->rename('test-a', 'Tickets');
            $nodes['test-b'] = $this->serve($settings['test-b']);
            self::assertStringContainsString('Tickets', $this->page('test-b')[2], 'It begins with nothing kept of before.');
            self::assertStringContainsString('"ok":true', $artisan('heronstem:check', '--json'));
        } finally {
            foreach ($nodes as $node) {
                $node->isRunning() && $node->signal(SIGTERM);
                $node->wait();
            }
        }
    }

    /** @return array{int, string, string} */
    private function page(string $node): array
    {
        return $this->ask("http://127.0.0.1:{$this->ports[$node]}/travel", ['Host: ferries.test']);
    }

    /** Waits until a node shows a name on a page: it has to, and soon. */
    private function shows(string $node, string $name): void
    {
        $until = microtime(true) + self::PATIENCE;
        do {
            $html = $this->page($node)[2];
        } while (! str_contains($html, $name) && microtime(true) < $until);
        self::assertStringContainsString($name, $html, "$node does not show it.");
    }

    /** A page that is listed on /travel, by way of a node. */
    private function rename(string $node, string $name): void
    {
        $this->renamed ??= $this->one(
            "select p.ulid from pages p join sites s on s.id = p.site_id where s.key = 'ferries' and p.address = '/travel/fares'",
        );
        $change = json_encode(['changes' => [['kind' => 'rename', 'page' => $this->renamed, 'name' => $name]]], JSON_THROW_ON_ERROR);
        $headers = ["Authorization: Bearer {$this->token}", 'Content-Type: application/json', 'Accept: application/json'];
        [$status, , $said] = $this->ask("http://127.0.0.1:{$this->ports[$node]}/api/v1/sites/ferries/batches", $headers, $change);
        self::assertSame(201, $status, $said);
    }
}
