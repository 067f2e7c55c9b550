<?php

declare(strict_types=1);

return [
    'default' => 'local',
    'disks' => [
        'local' => [
            'driver' => 'local',
            'root' => env('SARTAL_UPLOADS') ?: storage_path('app'),
            'serve' => false,
            'throw' => true,
        ],
    ],
];
