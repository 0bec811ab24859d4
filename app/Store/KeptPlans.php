<?php

declare(strict_types=1);

namespace App\Store;

use PDO;

/**
 * Has the database keep its plan of what is asked in nearly every request, on connections that outlive a request: of such a statement
 * planning takes several times as long as reading. A statement asks for it by its first words, and says its columns by name: a plan
 * that is kept does not survive that `*` comes to mean another.
 */
final class KeptPlans
{
    /** What begins a statement whose plan is kept. */
    public const MARK = '/* kept */ ';

    /** Of as many bytes bound at most: of long lists a plan is made each time, for just these. */
    private const LONGEST = 2000;

    /** For how long it is kept what is on a connection. */
    private const SECONDS = 600;

    /** @var \WeakMap<PDO, array<string, true>|false> names of plans by connection; false where there is a pooler between */
    private \WeakMap $known;

    /** @var \WeakMap<PDO, string> words that were left on connections */
    private \WeakMap $words;

    public function __construct()
    {
        $this->known = new \WeakMap();
        $this->words = new \WeakMap();
    }

    /**
     * Whether the plan of a statement is kept that is asked for with these.
     *
     * @param  array<mixed>  $bindings
     */
    public static function fits(string $query, array $bindings): bool
    {
        return str_starts_with($query, self::MARK) &&
            array_sum(array_map(static fn (mixed $each): int => is_string($each) ? strlen($each) : 0, $bindings)) <= self::LONGEST &&
            substr_count($query, '?') === count($bindings);
    }

    /**
     * What to send instead of a statement and what is bound to it; null where it has to be sent as it is.
     *
     * @param  array<mixed>  $bindings  for which it fits
     */
    public function asked(PDO $pdo, string $query, array $bindings): ?string
    {
        $names = $this->known[$pdo] ?? $this->known($pdo);
        if ($names === false) {
            return null;
        }
        $name = self::name($query);
        if (! isset($names[$name])) {
            $n = 0;
            $numbered = preg_replace_callback(
                '/\?/',
                static function () use (&$n): string {
                    return '$'.++$n;
                },
                $query,
            );
            // One that held no more while nothing could be said to the database is still there.
            $isThere = $pdo->query("select 1 from pg_prepared_statements where name = '$name'");
            if ($isThere !== false && $isThere->fetchColumn() !== false) {
                $pdo->exec("deallocate $name");
            }
            $pdo->exec("prepare $name as $numbered");
            $this->know($pdo, [...$names, $name => true]);
        }
        $said = array_map(static fn (mixed $each): ?string => self::said($pdo, $each), array_values($bindings));
        if (in_array(null, $said, true)) {
            return null;
        }

        return "execute $name".($said === [] ? '' : '('.implode(', ', $said).')');
    }

    /**
     * A plan that does not hold any more: a column has another type since.
     *
     * @param  bool  $isThere  the database has it, and can be told
     */
    public function drop(PDO $pdo, string $query, bool $isThere): void
    {
        $this->know($pdo, array_diff_key($this->known[$pdo] ?? false ?: [], [self::name($query) => true]));
        if ($isThere) {
            $pdo->exec('deallocate '.self::name($query));
        }
    }

    /**
     * What is on a connection is the database's to say. A word that is left there leads the next request of this node to what it said: a
     * connection that is made anew, to whichever server, has none.
     *
     * @return array<string, true>|false
     */
    private function known(PDO $pdo): array|false
    {
        $asked = $pdo->query("select current_setting('heronstem.kept', true)");
        $word = $asked === false ? null : $asked->fetchColumn();
        $said = is_string($word) && $word !== '' && function_exists('apcu_fetch') ? apcu_fetch(self::key($word)) : false;
        if (is_array($said)) {
            $this->words[$pdo] = (string) $word;

            /** @var array<string, true> $said */
            return $this->known[$pdo] = $said;
        }
        $names = self::on($pdo);
        if ($names === false) {
            return $this->known[$pdo] = false;
        }
        $this->words[$pdo] = bin2hex(random_bytes(8));
        $pdo->exec("select set_config('heronstem.kept', '{$this->words[$pdo]}', false)");

        return $this->know($pdo, $names);
    }

    /**
     * @param  array<string, true>  $names
     * @return array<string, true>
     */
    private function know(PDO $pdo, array $names): array
    {
        if (isset($this->words[$pdo]) && function_exists('apcu_store')) {
            apcu_store(self::key($this->words[$pdo]), $names, self::SECONDS);
        }

        return $this->known[$pdo] = $names;
    }

    private static function key(string $word): string
    {
        return "heronstem-plans $word";
    }

    private static function name(string $query): string
    {
        return 'kept_'.substr(hash('xxh128', $query), 0, 24);
    }

    /** @return array<string, true>|false */
    private static function on(PDO $pdo): array|false
    {
        $asked = $pdo->query(
            "select pg_backend_pid(), coalesce((select string_agg(name, ' ') from pg_prepared_statements where name like 'kept%'), '')",
        );
        $row = $asked === false ? false : $asked->fetch(PDO::FETCH_NUM);

        // A pooler tells a number of its own, and sends the next statement to whichever process is free.
        return is_array($row) && $row[0] === $pdo->pgsqlGetPid() ? array_fill_keys(array_filter(explode(' ', (string) $row[1])), true) : false;
    }

    /** Null for what is no text to the database: it says so itself. */
    private static function said(PDO $pdo, mixed $value): ?string
    {
        return match (true) {
            $value === null => 'null',
            is_bool($value) => $value ? 'true' : 'false',
            is_scalar($value) && ! str_contains((string) $value, "\0") => $pdo->quote((string) $value) ?: null,
            default => null,
        };
    }
}
