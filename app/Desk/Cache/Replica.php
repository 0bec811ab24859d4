<?php

declare(strict_types=1);

namespace App\Desk\Cache;

use App\Short\ReplicaState;
use Illuminate\Database\Connection;
use Illuminate\Database\DatabaseManager;
use Illuminate\Database\QueryException;
use PDO;
use PDOException;

/**
 * A replica of the database, from which visitors are answered where there is one: while it is known to have what was written, and never
 * for what was changed by this node a moment ago. Without one, or while it is behind or away, everything is read from the primary.
 */
final class Replica
{
    /** Name of its connection. */
    public const NAME = 'replica';

    private ?string $before = null;

    public function __construct(private readonly DatabaseManager $databases)
    {
    }

    /**
     * Answers a visitor, who changes nothing.
     *
     * @template T
     *
     * @param  \Closure(): T  $answer
     * @return T
     */
    public function during(\Closure $answer): mixed
    {
        $state = self::state();
        if (! self::isGiven() || ! $state->isFresh(microtime(true))) {
            return $answer();
        }
        $primary = $this->databases->connection();
        $primary->setReadPdo(fn (): PDO => $this->databases->connection(self::NAME)->getPdo());
        try {
            return $answer();
        } catch (QueryException|PDOException) {
            // It may have gone in the midst of it: nothing was answered yet, and the primary knows as well.
            $state->noteAway();
            $primary->setReadPdo(null);

            return $answer();
        } finally {
            $primary->setReadPdo(null);
        }
    }

    /** Something was changed here: it is read from the primary until the replica has it. */
    public function changed(): void
    {
        if (self::isGiven()) {
            self::state()->noteChanged(microtime(true), (string) $this->databases->connection()->scalar('select pg_current_wal_insert_lsn()::text'));
        }
    }

    /** Looks whether it has what was written when this was looked at last, and what was changed here. */
    public function look(): void
    {
        if (! self::isGiven()) {
            return;
        }
        $at = microtime(true);
        $state = self::state();
        $position = (string) $this->databases->connection()->scalar('select pg_current_wal_insert_lsn()::text');
        try {
            $isThere =
                $this->before !== null &&
                $this->ask()->scalar('select pg_is_in_recovery() and pg_last_wal_replay_lsn() >= greatest(?::pg_lsn, ?::pg_lsn)', [
                    $this->before,
                    $state->wanted() ?? $this->before,
                ]);
            $isThere ? $state->noteFresh($at) : $state->noteAway();
        } catch (QueryException|PDOException) {
            $state->noteAway();
            $this->databases->purge(self::NAME);
        }
        $this->before = $position;
    }

    /** @return bool|null whether visitors are answered from it; null where there is none */
    public function isUsed(): ?bool
    {
        return self::isGiven() ? self::state()->isFresh(microtime(true)) : null;
    }

    private function ask(): Connection
    {
        return $this->databases->connection(self::NAME);
    }

    private static function isGiven(): bool
    {
        return config('database.connections.'.self::NAME) !== null;
    }

    private static function state(): ReplicaState
    {
        return new ReplicaState(Node::here()->folder);
    }
}
