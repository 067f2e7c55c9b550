<?php

declare(strict_types=1);

return [
    'default' => env('CACHE_STORE', 'database'),
    'stores' => [
        'file' => ['driver' => 'file', 'path' => env('SARTAL_CACHE') ?: storage_path('framework/cache/data')],
        'array' => ['driver' => 'array', 'serialize' => false],
        'database' => ['driver' => 'database', 'connection' => null, 'table' => 'cache', 'lock_table' => 'cache_locks'],
    ],
    'prefix' => 'sartal',
];
