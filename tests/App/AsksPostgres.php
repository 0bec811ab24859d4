<?php

declare(strict_types=1);

namespace Tests\App;

/** Databases beside the one that the tests share, asked without the application. */
trait AsksPostgres
{
    private string $database;

    private function postgres(string $database = 'postgres'): \PDO
    {
        $server = sprintf('pgsql:host=%s;port=%s;dbname=%s', getenv('DB_HOST'), getenv('DB_PORT'), $database);

        return new \PDO($server, (string) getenv('DB_USERNAME'), (string) getenv('DB_PASSWORD'));
    }

    /** The first field that a query finds in the database of the test. */
    private function one(string $query): string
    {
        $asked = $this->postgres($this->database)->prepare($query);
        $asked->execute();

        return (string) $asked->fetchColumn();
    }
}
