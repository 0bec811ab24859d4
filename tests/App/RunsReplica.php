<?php

declare(strict_types=1);

namespace Tests\App;

use Launch\Cluster;
use Launch\Ports;
use Symfony\Component\Process\Process;

/** A copy of the tests' own PostgreSQL that follows it (streaming replication). Needs a folder, and the database of the test. */
trait RunsReplica
{
    private ?Process $replica = null;

    private int $replicaPort = 0;

    private function startReplica(): void
    {
        $this->replicaPort = Ports::free(random_int(24000, 28000));
        $data = "{$this->folder}/replica";
        $as = posix_geteuid() === 0 ? ['runuser', '-u', 'postgres', '--'] : [];
        $made = new Process(
            [
                ...$as,
                Cluster::binaries().'/pg_basebackup',
                '--pgdata='.$data,
                '--host='.getenv('DB_HOST'),
                '--port='.getenv('DB_PORT'),
                '--username='.getenv('DB_USERNAME'),
                '--write-recovery-conf',
                '--checkpoint=fast',
                '--wal-method=stream',
            ],
            env: ['PGPASSWORD' => (string) getenv('DB_PASSWORD')],
            timeout: 300,
        );
        $made->mustRun();
        $options = ['listen_addresses=127.0.0.1', "port={$this->replicaPort}", 'unix_socket_directories=', 'hot_standby=on', 'jit=off'];
        $this->replica = new Process(
            [
                ...$as,
                Cluster::binaries().'/postgres',
                '-D',
                $data,
                ...array_merge(...array_map(static fn (string $each): array => ['-c', $each], $options)),
            ],
            timeout: null,
        );
        $this->replica->start();
        $this->replica->waitUntil(static fn (string $type, string $said): bool => str_contains($said, 'ready to accept read-only connections'));
        self::assertTrue($this->replica->isRunning(), $this->replica->getErrorOutput());
    }

    private function stopReplica(): void
    {
        if ($this->replica?->isRunning() === true) {
            // Its parent may be a shell of another user: the server itself is told, and ends at once.
            $pid = (int) strtok((string) file_get_contents("{$this->folder}/replica/postmaster.pid"), "\n");
            posix_kill($pid, SIGQUIT);
            $this->replica->wait();
        }
        $this->replica = null;
    }

    private function onReplica(string $query): string
    {
        $pdo = new \PDO(
            "pgsql:host=127.0.0.1;port={$this->replicaPort};dbname={$this->database}",
            (string) getenv('DB_USERNAME'),
            (string) getenv('DB_PASSWORD'),
            [\PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION],
        );

        $asked = $pdo->prepare($query);
        $asked->execute();

        return (string) $asked->fetchColumn();
    }
}
