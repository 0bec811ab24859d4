<?php

declare(strict_types=1);

$byRedis = (string) env('HERONSTEM_REDIS') !== '';

return [
    'default' => env('QUEUE_CONNECTION', 'database'),
    // For what can be worked out anew at any time. What somebody asked for is written with what it follows, and so in the database.
    'worked_out' => $byRedis ? 'failover' : env('QUEUE_CONNECTION', 'database'),
    'failed' => ['driver' => 'database-uuids', 'database' => 'pgsql', 'table' => 'failed_jobs'],
    'connections' => [
        'sync' => ['driver' => 'sync'],
        'database' => ['driver' => 'database', 'table' => 'jobs', 'queue' => 'default', 'retry_after' => 3700, 'after_commit' => true],
        // Whoever queues on it does so when what it follows is committed: what fails later than that could not be queued elsewhere.
        'redis' => ['driver' => 'redis', 'connection' => 'default', 'queue' => 'default', 'retry_after' => 3700, 'after_commit' => false],
        'failover' => ['driver' => 'failover', 'connections' => ['redis', 'database']],
    ],
];
