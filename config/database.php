<?php

declare(strict_types=1);

$pgsql = [
    'driver' => 'pgsql',
    'host' => env('DB_HOST', '127.0.0.1'),
    'port' => env('DB_PORT', '54330'),
    'database' => env('DB_DATABASE', 'sartal'),
    'username' => env('DB_USERNAME', 'sartal'),
    'password' => env('DB_PASSWORD', ''),
    'charset' => 'utf8',
    'prefix' => '',
    'search_path' => 'public',
    'sslmode' => 'disable',
];

return [
    'default' => 'pgsql',
    // By which is told how far something is, while it is written within a transaction.
    'told' => env('SARTAL_TOLD', 'told'),
    'connections' => ['pgsql' => $pgsql, 'told' => $pgsql],
    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => false],
];
