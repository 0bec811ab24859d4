<?php

declare(strict_types=1);

return [
    'driver' => (string) env('HERONSTEM_REDIS') !== '' ? 'kept' : env('SESSION_DRIVER', 'database'),
    'lifetime' => (int) env('SESSION_LIFETIME', 720),
    'cookie' => 'heronstem_session',
    'secure' => env('SESSION_SECURE_COOKIE'),
    'http_only' => true,
    'same_site' => 'lax',
];
