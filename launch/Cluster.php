<?php

declare(strict_types=1);

namespace Launch;

/** A PostgreSQL cluster of our own: on loopback, on a free port, never run as root. */
final class Cluster
{
    private const READY = 'heronstem-ready';

    private ?bool $asPostgres = null;

    /** @param  array<string, string>  $settings server settings besides our own */
    public function __construct(private readonly string $root, private readonly string $name, private readonly array $settings = [])
    {
    }

    /** Folder of the newest installed server programs; null when there are none. */
    public static function binaries(): ?string
    {
        $found = glob('/usr/lib/postgresql/*/bin/postgres') ?: [];
        natsort($found);

        return $found === [] ? null : dirname((string) end($found));
    }

    /**
     * Starts it, or finds it running, and returns the settings to connect with. Recovers from a half-made or killed earlier one.
     *
     * @return array<string, string>
     */
    public function start(): array
    {
        $data = $this->folder();
        if (! $this->isMade($data)) {
            $this->make($data);
        }
        $port = $this->runningPort($data);
        if ($port === null) {
            $port = Ports::free($this->lastPort());
            file_put_contents("{$this->root}/var/run/{$this->name}.port", (string) $port);
            $options = "-c listen_addresses=127.0.0.1 -c port=$port -c unix_socket_directories='' -c jit=off";
            foreach ($this->settings as $name => $value) {
                $options .= " -c $name=$value";
            }
            $this->asServer(['pg_ctl', '-D', $data, '-w', '-t', '60', '-l', "$data/server.log", '-o', $options, 'start'], 'Starting PostgreSQL');
        }

        return ['DB_HOST' => '127.0.0.1', 'DB_PORT' => (string) $port, 'DB_USERNAME' => 'heronstem', 'DB_PASSWORD' => $this->password()];
    }

    public function isRunning(): bool
    {
        return self::binaries() !== null && $this->isMade($this->folder()) && $this->runningPort($this->folder()) !== null;
    }

    public function stop(): void
    {
        if ($this->isRunning()) {
            $this->asServer(['pg_ctl', '-D', $this->folder(), '-w', '-m', 'fast', 'stop'], 'Stopping PostgreSQL');
        }
    }

    /** @param  array<string, string>  $connection as start() gave it */
    public function createDatabase(string $database, array $connection): void
    {
        $pdo = $this->pdo($connection);
        $found = $pdo->prepare('select 1 from pg_database where datname = ?');
        $found->execute([$database]);
        if ($found->fetch() === false) {
            $pdo->exec("create database \"$database\" template template0 encoding 'UTF8' lc_collate 'C.UTF-8' lc_ctype 'C.UTF-8'");
        }
    }

    /** @param  array<string, string>  $connection as start() gave it */
    public function dropDatabase(string $database, array $connection): void
    {
        $this->pdo($connection)->exec("drop database if exists \"$database\" with (force)");
    }

    /** @param  array<string, string>  $connection as start() gave it */
    public function copyDatabase(string $from, string $to, array $connection): void
    {
        $this->pdo($connection)->exec("create database \"$to\" template \"$from\"");
    }

    /** @param  array<string, string>  $connection */
    private function pdo(array $connection): \PDO
    {
        return new \PDO(
            "pgsql:host={$connection['DB_HOST']};port={$connection['DB_PORT']};dbname=postgres",
            $connection['DB_USERNAME'],
            $connection['DB_PASSWORD'],
        );
    }

    private function isMade(string $data): bool
    {
        return $this->quietly(['test', '-f', "$data/".self::READY]);
    }

    private function make(string $data): void
    {
        Say::step('Making a PostgreSQL cluster in '.$data);
        $this->asServer(['rm', '-rf', $data], 'Clearing a half-made cluster');
        $this->asServer(['mkdir', '-p', dirname($data)], 'Making a folder for PostgreSQL');
        $password = $this->asServer(['mktemp'], 'Making a temporary file');
        $this->asServer(['tee', $password], 'Writing the password', $this->password());
        $this->asServer(
            ['initdb', '-D', $data, '-U', 'heronstem', '--auth=scram-sha-256', "--pwfile=$password", '-E', 'UTF8', '--locale=C.UTF-8'],
            'Making the PostgreSQL cluster',
        );
        $this->asServer(['rm', '-f', $password], 'Clearing up');
        $this->asServer(['touch', "$data/".self::READY], 'Marking the cluster as made');
    }

    private function runningPort(string $data): ?int
    {
        if (! $this->quietly(['pg_ctl', '-D', $data, 'status'])) {
            return null;
        }
        $lines = explode("\n", $this->asServer(['cat', "$data/postmaster.pid"], 'Reading the port'));
        if (trim((string) @file_get_contents('/proc/'.(int) $lines[0].'/cmdline')) === '') {
            // Killed, and its entry in the process table still waits to be collected: the server is gone all the same.
            $this->asServer(['rm', '-f', "$data/postmaster.pid"], 'Clearing up after a killed server');

            return null;
        }

        return isset($lines[3]) ? (int) $lines[3] : null;
    }

    /** The port it had: whoever is connected finds it there again. */
    private function lastPort(): int
    {
        return (int) (@file_get_contents("{$this->root}/var/run/{$this->name}.port") ?: 5433);
    }

    private function password(): string
    {
        $file = "{$this->root}/var/run/{$this->name}.password";
        if (! is_file($file)) {
            @mkdir(dirname($file), 0755, true);
            file_put_contents($file, bin2hex(random_bytes(16)));
            chmod($file, 0600);
            // A cluster made with a password that is gone cannot be entered: it is made anew.
            $this->asServer(['rm', '-f', $this->folder().'/'.self::READY], 'Forgetting an old cluster');
        }

        return (string) file_get_contents($file);
    }

    /** Under var/ where the server's user can get there, else in a place of its own. */
    private function folder(): string
    {
        if (! $this->isRoot()) {
            return "{$this->root}/var/{$this->name}";
        }
        @mkdir("{$this->root}/var/{$this->name}-cluster", 0755, true);
        $inside = "{$this->root}/var/{$this->name}-cluster";
        if ($this->reachable($inside)) {
            chown($inside, 'postgres');

            return "$inside/data";
        }

        return '/var/lib/postgresql/heronstem-'.substr(sha1($this->root), 0, 12)."-{$this->name}";
    }

    private function reachable(string $folder): bool
    {
        return Shell::run(['runuser', '-u', 'postgres', '--', 'test', '-x', $folder]) === 0;
    }

    private function isRoot(): bool
    {
        return $this->asPostgres ??= posix_geteuid() === 0;
    }

    /** @param  list<string>  $command */
    private function quietly(array $command): bool
    {
        try {
            $this->asServer($command, 'Looking');

            return true;
        } catch (Failed) {
            return false;
        }
    }

    /** @param  list<string>  $command */
    private function asServer(array $command, string $what, ?string $input = null): string
    {
        if (in_array($command[0], ['pg_ctl', 'initdb'], true)) {
            $command[0] = self::binaries().'/'.$command[0];
        }

        return Shell::must([...$this->isRoot() ? ['runuser', '-u', 'postgres', '--'] : [], ...$command], $what, [], $input);
    }
}
