<?php

declare(strict_types=1);

// Where Redis is given it is asked first; where it is away, the database.
$byRedis = (string) env('HERONSTEM_REDIS') !== '';

return [
    'default' => $byRedis ? 'failover' : env('CACHE_STORE', 'database'),
    'stores' => [
        'failover' => ['driver' => 'failover', 'stores' => ['redis', 'database']],
        // The memory that the workers of a node share, where there is such a thing.
        'node' => ['driver' => 'apc'],
    ],
];
