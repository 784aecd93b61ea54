<?php

declare(strict_types=1);

// Making a connection costs more than most requests: each worker keeps its own.
$persistent = env('DB_PERSISTENT', false) ? [PDO::ATTR_PERSISTENT => true] : [];

return [

    'default' => env('DB_CONNECTION', 'pgsql'),

    'connections' => [

        'pgsql' => [
            'driver' => 'pgsql',
            'url' => env('DB_URL'),
            'host' => env('DB_HOST', '127.0.0.1'),
            'port' => env('DB_PORT', '5432'),
            'database' => env('DB_DATABASE', 'laravel'),
            'username' => env('DB_USERNAME', 'root'),
            'password' => env('DB_PASSWORD', ''),
            'charset' => env('DB_CHARSET', 'utf8'),
            'prefix' => '',
            'prefix_indexes' => true,
            'search_path' => 'public',
            'sslmode' => env('DB_SSLMODE', 'prefer'),
            'options' => $persistent,
            'application_name' => 'dithermic',
            // What a screen shows as saved is on the disk.
            'synchronous_commit' => 'on',
        ],

        // Sessions and rate limits only: losing the last half second of these in a crash hurts nobody. The name keeps its
        // connections apart: PHP hands a persistent connection to whoever asks with the same address, settings and all.
        'pgsql_soft' => [
            'driver' => 'pgsql',
            'url' => env('DB_URL'),
            'host' => env('DB_HOST', '127.0.0.1'),
            'port' => env('DB_PORT', '5432'),
            'database' => env('DB_DATABASE', 'laravel'),
            'username' => env('DB_USERNAME', 'root'),
            'password' => env('DB_PASSWORD', ''),
            'charset' => env('DB_CHARSET', 'utf8'),
            'prefix' => '',
            'prefix_indexes' => true,
            'search_path' => 'public',
            'sslmode' => env('DB_SSLMODE', 'prefer'),
            'options' => $persistent,
            'application_name' => 'dithermic-soft',
            'synchronous_commit' => 'off',
        ],

    ],

    'migrations' => [
        'table' => 'migrations',
        'update_date_on_publish' => true,
    ],

];
