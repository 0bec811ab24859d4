<?php

declare(strict_types=1);

namespace Tests\App;

use Launch\Ports;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/**
 * Two nodes behind a balancer, with Redis, while four write and two read: one reaches the database directly and has a replica for
 * visitors, the other goes through a pooler in transaction mode. A node and Redis are killed and begun again; no visitor is refused, and
 * nothing that was confirmed is lost.
 */
final class NodesUnderLoadTest extends TestCase
{
    use KillsNodes, RunsRedis, RunsReplica, ServesForTests;

    /** Changes that are confirmed between one blow and the next. */
    private const BETWEEN = 12;

    #[Test]
    public function one_of_two_nodes_dies_under_load_and_nobody_notices(): void
    {
        [$a, $b, $balancer, $pooler, $watchA, $watchB] = $this->ports(6);
        $this->startRedis();
        $this->startReplica();
        $shared = [
            'APP_KEY' => trim($this->must([self::command(), 'serve', '--key'])),
            'HERONSTEM_FILES' => "{$this->folder}/files",
            'HERONSTEM_API_RATE' => '1000000',
            'HERONSTEM_REDIS' => $this->redisUrl(),
        ];
        mkdir("{$this->folder}/files");
        chmod("{$this->folder}/files", 0777);
        $direct = $this->environment(
            $shared + [
                'HERONSTEM_NODE' => 'test-c',
                'HERONSTEM_PORT' => "$a",
                'HERONSTEM_WATCH_PORT' => "$watchA",
                'DB_REPLICA_HOST' => '127.0.0.1',
                'DB_REPLICA_PORT' => (string) $this->replicaPort,
            ],
        );
        $pooled = $this->environment(
            $shared + [
                'HERONSTEM_NODE' => 'test-d',
                'HERONSTEM_PORT' => "$b",
                'HERONSTEM_WATCH_PORT' => "$watchB",
                'DB_HOST' => '127.0.0.1',
                'DB_PORT' => "$pooler",
            ],
        );
        $running = [$this->pooler($pooler), $this->balancer($balancer, [$a, $b])];
        $nodes = ['test-c' => $this->serve($direct)];
        $artisan = fn (string ...$words): string => $this->must([self::command(), 'artisan', ...array_values($words)], $direct);
        try {
            $artisan('heronstem:load-demo');
            $artisan('heronstem:origins', 'ferries=http://ferries.test');
            $token = trim($artisan('heronstem:token', '--user=greta@skerrivane.example'));
            $nodes['test-d'] = $this->serve($pooled);

            $stop = "{$this->folder}/stop";
            $load = fn (string ...$more): Process => new Process(
                [PHP_BINARY, __DIR__.'/load.php', $more[0], "http://127.0.0.1:$balancer", $stop, ...array_slice($more, 1)],
                timeout: 600,
            );
            $writers = array_map(static fn (string $page): Process => $load('write', $token, $page), $this->pagesToRename());
            $readers = [$load('read'), $load('read')];
            foreach ([...$writers, ...$readers] as $each) {
                $each->start();
            }
            $this->awaitConfirmed($writers, self::BETWEEN);
            $this->killNode($nodes['test-d'], 'test-d');
            $this->awaitConfirmed($writers, 2 * self::BETWEEN);
            $nodes['test-d'] = $this->serve($pooled);
            $this->awaitConfirmed($writers, 3 * self::BETWEEN);
            $this->killRedis();
            $this->awaitConfirmed($writers, 4 * self::BETWEEN);
            $this->startRedis();
            $this->awaitConfirmed($writers, 5 * self::BETWEEN);
            touch($stop);

            foreach ($readers as $reader) {
                $reader->wait();
                $told = json_decode($reader->getOutput(), true, flags: JSON_THROW_ON_ERROR);
                self::assertGreaterThan(50, $told['asked']);
                self::assertSame([], $told['failed'], 'No visitor is refused.');
            }
            foreach ($writers as $writer) {
                $writer->wait();
                $told = json_decode($writer->getOutput(), true, flags: JSON_THROW_ON_ERROR);
                self::assertSame([], $told['failed']);
                $kept = $this->one("select count(*) from history where ulid = any('{".implode(',', $told['entries'])."}')");
                self::assertSame((string) count($told['entries']), $kept, 'What was confirmed is there.');
            }
            self::assertStringContainsString('"ok":true', $artisan('heronstem:check', '--json'));
            $names = json_decode($this->one("select json_agg(name) from pages where name like 'Renamed %'"), true);
            self::assertCount(4, $names);
            foreach ([$a, $b] as $port) {
                $this->comesToShow($port, $names);
            }
            $this->losesItsDatabase($b, $running[0], fn (): Process => ($running[0] = $this->pooler($pooler)));
        } finally {
            is_file("{$this->folder}/stop") || touch("{$this->folder}/stop");
            foreach ([...$nodes, ...$running] as $process) {
                $process->isRunning() && $process->signal(SIGTERM);
                $process->wait();
            }
            $this->stopReplica();
            $this->killRedis();
        }
    }

    /**
     * What a node has kept it goes on showing while the database is away; whoever works on the site is told; and it comes back by itself.
     *
     * @param  \Closure(): Process  $again
     */
    private function losesItsDatabase(int $port, Process $pooler, \Closure $again): void
    {
        $page = fn (): array => $this->ask("http://127.0.0.1:$port/help", ['Host: ferries.test']);
        $session = fn (): array => $this->ask("http://127.0.0.1:$port/api/v1/session", ['Accept: application/json']);
        $page();
        self::assertSame(204, $session()[0]);
        $pooler->signal(SIGKILL);
        $pooler->wait();
        [$status, $head] = $page();
        self::assertSame(200, $status, $head);
        [$status, , $said] = $session();
        self::assertSame(503, $status, $said);
        self::assertStringContainsString('The database cannot be reached', $said);
        $again();
        for ($until = microtime(true) + 60, $status = 0; $status !== 204 && microtime(true) < $until;) {
            [$status] = $session();
        }
        self::assertSame(204, $status);
        self::assertSame(200, $page()[0]);
    }

    /** @return list<int> */
    private function ports(int $count): array
    {
        $ports = [];
        for ($from = 18380; count($ports) < $count; $from = end($ports) + 1) {
            $ports[] = Ports::free($from);
        }

        return $ports;
    }

    /** @return list<string> four pages that are listed on /travel */
    private function pagesToRename(): array
    {
        $found = json_decode(
            $this->one(
                "select json_agg(ulid) from (select p.ulid from pages p join pages up on up.id = p.parent_id join sites s on s.id = p.site_id
                    where s.key = 'ferries' and up.address = '/travel' and p.state = 'live' order by p.position limit 4) p",
            ),
            true,
        );
        self::assertCount(4, $found);

        return $found;
    }

    /** @param  list<Process>  $writers */
    private function awaitConfirmed(array $writers, int $each): void
    {
        foreach ($writers as $writer) {
            $writer->waitUntil(static fn (): bool => substr_count($writer->getErrorOutput(), 'confirmed') >= $each || ! $writer->isRunning());
            self::assertTrue($writer->isRunning(), $writer->getOutput().$writer->getErrorOutput());
        }
    }

    /** @param  list<string>  $names */
    private function comesToShow(int $port, array $names): void
    {
        $missing = static fn (string $html): array => array_values(array_filter($names, static fn (string $name): bool => ! str_contains($html, $name)));
        for ($until = microtime(true) + 60, $html = ''; $missing($html) !== [] && microtime(true) < $until;) {
            $html = $this->ask("http://127.0.0.1:$port/travel", ['Host: ferries.test'])[2];
        }
        self::assertSame([], $missing($html), "What was written last is shown at $port.");
    }

    /** @param  list<int>  $nodes */
    private function balancer(int $port, array $nodes): Process
    {
        $servers = implode(' ', array_map(static fn (int $node): string => "server 127.0.0.1:$node max_fails=1 fail_timeout=2s;", $nodes));
        $folder = "{$this->folder}/balancer";
        mkdir($folder);
        file_put_contents(
            "$folder/nginx.conf",
            <<<CONF
            daemon off; pid $folder/pid; error_log $folder/error.log; worker_processes 1;
            events { worker_connections 512; }
            http {
                access_log off; client_body_temp_path $folder/body; proxy_temp_path $folder/proxy; fastcgi_temp_path $folder/f; uwsgi_temp_path $folder/u; scgi_temp_path $folder/s;
                upstream nodes { $servers }
                server {
                    listen 127.0.0.1:$port;
                    location / {
                        proxy_pass http://nodes;
                        proxy_set_header Host \$http_host;
                        proxy_read_timeout 120s;
                        proxy_next_upstream error timeout http_502 http_503 http_504;
                    }
                }
            }
            CONF
            ,
        );
        $nginx = new Process(['nginx', '-c', "$folder/nginx.conf", '-e', "$folder/error.log"], timeout: null);
        $nginx->start();

        return $nginx;
    }

    private function pooler(int $port): Process
    {
        $folder = "{$this->folder}/pooler";
        is_dir($folder) || mkdir($folder);
        [$user, $password] = [(string) getenv('DB_USERNAME'), (string) getenv('DB_PASSWORD')];
        file_put_contents("$folder/users", "\"$user\" \"$password\"\n");
        file_put_contents(
            "$folder/pgbouncer.ini",
            "[databases]\n* = host=".
                getenv('DB_HOST').
                ' port='.
                getenv('DB_PORT').
                "\n[pgbouncer]\nlisten_addr = 127.0.0.1\nlisten_port = $port\nunix_socket_dir =\n".
                "auth_type = scram-sha-256\nauth_file = $folder/users\npool_mode = transaction\ndefault_pool_size = 10\nmax_client_conn = 200\nlogfile = $folder/log\n",
        );
        exec('chmod -R a+rX '.escapeshellarg($folder));
        $asRoot = posix_geteuid() === 0;
        $asRoot && chown($folder, 'postgres');
        $bouncer = new Process(['pgbouncer', ...$asRoot ? ['-u', 'postgres'] : [], "$folder/pgbouncer.ini"], timeout: null);
        $bouncer->start();

        return $bouncer;
    }
}
