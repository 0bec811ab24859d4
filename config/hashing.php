<?php

declare(strict_types=1);

// Argon2id with the least that OWASP recommends (19 MiB, two passes, one lane); hashes of before are still checked.
return [
    'driver' => 'argon2id',
    'argon' => [
        'memory' => (int) env('HERONSTEM_ARGON_MEMORY', 19456),
        'time' => 2,
        'threads' => 1,
        'verify' => false,
    ],
];
