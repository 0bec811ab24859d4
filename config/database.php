<?php

declare(strict_types=1);

$pgsql = [
    'driver' => 'pgsql',
    'host' => env('DB_HOST', '127.0.0.1'),
    'port' => env('DB_PORT', '5432'),
    'database' => env('DB_DATABASE', 'heronstem'),
    'username' => env('DB_USERNAME', 'heronstem'),
    'password' => env('DB_PASSWORD', ''),
    'charset' => 'utf8',
    'search_path' => 'public',
    'sslmode' => env('DB_SSLMODE', 'prefer'),
    // A statement that is asked once is sent in one go, rather than prepared first: a pooler in transaction mode needs that as well.
    'options' => [PDO::PGSQL_ATTR_DISABLE_PREPARES => true],
];

return [
    'default' => 'pgsql',
    'connections' => [
        // Kept open from one request to the next: signing in to the database takes longer than most requests.
        'pgsql' => ['options' => $pgsql['options'] + (env('DB_PERSISTENT', false) ? [PDO::ATTR_PERSISTENT => true] : [])] + $pgsql,
        // For what is to be seen at once, whatever becomes of the transaction that is open. Never kept open: it would be the same one.
        'beside' => $pgsql,
    ],
    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => false],
];
