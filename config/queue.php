<?php

declare(strict_types=1);

return [
    'default' => env('QUEUE_CONNECTION', 'database'),
    'connections' => [
        'sync' => ['driver' => 'sync'],
        'database' => [
            'driver' => 'database',
            'connection' => null,
            'table' => 'jobs',
            'queue' => 'errands',
            // s: longer than anything may take (App\Errands\RunErrand), so that nothing is begun twice.
            'retry_after' => 4_000,
            'after_commit' => true,
        ],
    ],
    'batching' => ['database' => 'pgsql', 'table' => 'job_batches'],
    'failed' => ['driver' => 'database-uuids', 'database' => 'pgsql', 'table' => 'failed_jobs'],
];
