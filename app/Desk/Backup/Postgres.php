<?php

declare(strict_types=1);

namespace App\Desk\Backup;

use Symfony\Component\Process\Process;

/** PostgreSQL's own programs for dumping and restoring, over the connection that the application has. */
final readonly class Postgres
{
    /** Tables whose rows are of the moment, or of one node: they are made anew. */
    private const OF_THE_MOMENT = ['cache', 'cache_locks', 'cached_pages', 'cache_nodes', 'forgets', 'presences', 'sessions'];

    /** Writes what could be seen in a snapshot. */
    public function dump(string $snapshot, string $file): void
    {
        $without = array_map(static fn (string $table): string => "--exclude-table-data=public.$table", self::OF_THE_MOMENT);
        $this->run('pg_dump', [
            '--format=custom',
            '--no-owner',
            '--no-privileges',
            "--snapshot=$snapshot",
            ...$without,
            "--file=$file",
            $this->database(),
        ]);
    }

    public function restore(string $file, string $database): void
    {
        $this->run('pg_restore', ['--no-owner', '--no-privileges', '--exit-on-error', '--single-transaction', "--dbname=$database", $file]);
    }

    public function create(string $database): void
    {
        $this->pdo()->exec(
            'create database '.self::quoted($database)." template template0 encoding 'UTF8' lc_collate 'C.UTF-8' lc_ctype 'C.UTF-8'",
        );
    }

    public function drop(string $database): void
    {
        $this->pdo()->exec('drop database if exists '.self::quoted($database).' with (force)');
    }

    /** Puts one database in the place of another, which is kept under a further name. Whoever is connected connects anew. */
    public function switch(string $restored, string $current, string $kept): void
    {
        $pdo = $this->pdo();
        foreach ([$current, $restored] as $each) {
            $ends = $pdo->prepare('select pg_terminate_backend(pid) from pg_stat_activity where datname = ? and pid <> pg_backend_pid()');
            $ends->execute([$each]);
        }
        // Both names in one transaction: there is no moment at which there is none.
        $pdo->beginTransaction();
        $pdo->exec('alter database '.self::quoted($current).' rename to '.self::quoted($kept));
        $pdo->exec('alter database '.self::quoted($restored).' rename to '.self::quoted($current));
        $pdo->commit();
    }

    public function count(string $database, string $table): int
    {
        $counted = $this->pdo($database)->query('select count(*) from '.self::quoted($table));

        return $counted === false ? 0 : (int) $counted->fetchColumn();
    }

    public function database(): string
    {
        return (string) config('database.connections.pgsql.database');
    }

    /** @param  list<string>  $arguments */
    private function run(string $program, array $arguments): void
    {
        $of = config('database.connections.pgsql');
        $process = new Process(
            [self::program($program), "--host={$of['host']}", "--port={$of['port']}", "--username={$of['username']}", '--no-password', ...$arguments],
            env: ['PGPASSWORD' => (string) $of['password']],
            timeout: null,
        );
        $process->run();
        if (! $process->isSuccessful()) {
            throw new BackupFailed("$program failed: ".mb_substr(trim($process->getErrorOutput()), 0, 500));
        }
    }

    /** The newest that is installed: an older one does not read a newer server. */
    private static function program(string $name): string
    {
        $found = glob("/usr/lib/postgresql/*/bin/$name") ?: [];
        natsort($found);

        return $found === [] ? $name : (string) end($found);
    }

    private function pdo(string $database = 'postgres'): \PDO
    {
        $of = config('database.connections.pgsql');

        return new \PDO("pgsql:host={$of['host']};port={$of['port']};dbname=$database", $of['username'], $of['password'], [
            \PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION,
        ]);
    }

    private static function quoted(string $database): string
    {
        return preg_match('/^[A-Za-z_][A-Za-z0-9_-]{0,62}$/D', $database) === 1
            ? '"'.$database.'"'
            : throw new BackupFailed("“{$database}” is no name for a database: letters, digits and _, at most 63.");
    }
}
