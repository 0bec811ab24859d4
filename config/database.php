<?php

declare(strict_types=1);

use App\Store\Redis\RedisAddress;

$pgsql = [
    'driver' => 'pgsql',
    'host' => env('DB_HOST', '127.0.0.1'),
    'port' => env('DB_PORT', '5432'),
    'database' => env('DB_DATABASE', 'heronstem'),
    'username' => env('DB_USERNAME', 'heronstem'),
    'password' => env('DB_PASSWORD', ''),
    'charset' => 'utf8',
    'sslmode' => env('DB_SSLMODE', 'prefer'),
    // A statement that is asked once is sent in one go, rather than prepared first: a pooler in transaction mode needs that as well.
    'options' => [PDO::PGSQL_ATTR_DISABLE_PREPARES => true],
];

$options = $pgsql['options'] + (env('DB_PERSISTENT', false) ? [PDO::ATTR_PERSISTENT => true] : []);
$redis = RedisAddress::of((string) env('HERONSTEM_REDIS'))?->forFramework((bool) env('DB_PERSISTENT', false));

return [
    'default' => 'pgsql',
    'redis' => ['client' => 'spared', ...$redis === null ? [] : ['default' => $redis, 'cache' => ['persistent_id' => 'cache', ...$redis]]],
    'connections' => [
        // Kept open from one request to the next: signing in to the database takes longer than most requests.
        'pgsql' => ['options' => $options] + $pgsql,
        // For what is to be seen at once, whatever becomes of the transaction that is open. Never kept open: it would be the same one.
        'beside' => $pgsql,
        // A copy that follows it, for what visitors read.
        ...(string) env('DB_REPLICA_HOST') === ''
            ? []
            : [
                'replica' => [...$pgsql, 'host' => env('DB_REPLICA_HOST'), 'port' => env('DB_REPLICA_PORT', '5432'), 'options' => $options],
            ],
    ],
    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => false],
];
