<?php

declare(strict_types=1);

namespace App\Store;

use Illuminate\Database\PostgresConnection;
use PDO;
use PDOException;
use PDOStatement;

/** The framework's connection to PostgreSQL, with plans that are kept where it is kept open itself. */
final class PgConnection extends PostgresConnection
{
    /** The database says so of a plan whose columns are others by now, and of one that it does not have. */
    private const HOLDS_NO_MORE = ['0A000', '26000'];

    private ?KeptPlans $plans = null;

    /**
     * @param  string  $query
     * @param  array<mixed>  $bindings
     * @param  bool  $useReadPdo
     * @return array<mixed>
     */
    public function select($query, $bindings = [], $useReadPdo = true)
    {
        if (! $this->keepsPlan($query, $bindings)) {
            return parent::select($query, $bindings, $useReadPdo);
        }

        return $this->run($query, $bindings, fn (string $query, array $bindings): array => $this->answer($query, $bindings, $useReadPdo)->fetchAll());
    }

    /**
     * @param  string  $query
     * @param  array<mixed>  $bindings
     * @param  bool  $useReadPdo
     * @return \Generator<int, \stdClass>
     */
    public function cursor($query, $bindings = [], $useReadPdo = true)
    {
        yield from $this->keepsPlan($query, $bindings) ? $this->select($query, $bindings, $useReadPdo) : parent::cursor($query, $bindings, $useReadPdo);
    }

    /** @param  array<mixed>  $bindings */
    private function keepsPlan(string $query, array $bindings): bool
    {
        return ($this->config['options'][PDO::ATTR_PERSISTENT] ?? false) === true && KeptPlans::fits($query, $bindings) && ! $this->pretending();
    }

    /** @param  array<mixed>  $bindings */
    private function answer(string $query, array $bindings, bool $useReadPdo): PDOStatement
    {
        $pdo = $this->getPdoForSelect($useReadPdo);
        $this->plans ??= new KeptPlans();
        try {
            $asked = $this->plans->asked($pdo, $query, $this->prepareBindings($bindings));
            $statement = $asked === null ? false : $pdo->query($asked);
        } catch (PDOException $failed) {
            if (! in_array($failed->getCode(), self::HOLDS_NO_MORE, true)) {
                throw $failed;
            }
            $this->plans->drop($pdo, $query, $failed->getCode() === self::HOLDS_NO_MORE[0] && ! $pdo->inTransaction());
            if ($pdo->inTransaction()) {
                throw $failed;
            }
            $statement = false;
        }
        if ($statement === false) {
            $statement = $pdo->prepare($query);
            $this->bindValues($statement, $this->prepareBindings($bindings));
            $statement->execute();
        }

        return $this->prepared($statement);
    }
}
