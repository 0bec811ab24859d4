<?php

declare(strict_types=1);

use App\Http\JsonLines;

return [
    'default' => env('LOG_CHANNEL', 'daily'),
    'channels' => [
        // A file a day, of which the last ones are kept; a line of JSON each.
        'daily' => [
            'driver' => 'daily',
            'path' => storage_path('logs/heronstem.log'),
            'level' => env('LOG_LEVEL', 'warning'),
            'days' => (int) env('HERONSTEM_LOG_DAYS', 14),
            'tap' => [JsonLines::class],
        ],
    ],
];
