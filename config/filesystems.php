<?php

declare(strict_types=1);

return [
    'disks' => [
        // What people upload. Several nodes need a folder that they share, or another disk.
        'local' => ['driver' => 'local', 'root' => env('HERONSTEM_FILES') ?: storage_path('app/private'), 'throw' => false, 'report' => false],
    ],
];
