<?php

declare(strict_types=1);

// Nothing is prepared: it would be asked once and dropped, three ways to the database in place of one. Behind a pooler
// a connection is another's after each transaction, and how it commits is said there, by the database's name
// (deploy/pgbouncer.ini). Else each worker keeps its own: making one costs more than most requests.
$pooled = (bool) env('DB_POOLED', false);
$kept = env('DB_PERSISTENT', false) ? [PDO::ATTR_PERSISTENT => true] : [];
$commits = static fn (string $how): array => $pooled ? [] : ['synchronous_commit' => $how];
$named = static fn (string $use): string => env('DB_DATABASE', 'laravel').($pooled ? "_{$use}" : '');

$shop = [
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
    'options' => $kept + [PDO::PGSQL_ATTR_DISABLE_PREPARES => true],
];

// A replica that heavy pages are read from: what is acknowledged is applied there, not only written.
$replica = env('DB_READ_HOST') === null && env('DB_READ_PORT') === null ? null : [
    ...$shop,
    'host' => env('DB_READ_HOST', $shop['host']),
    'port' => env('DB_READ_PORT', $shop['port']),
    'database' => $named('reading'),
    'application_name' => 'dithermic-reading',
    // One that does not answer is soon done without.
    'options' => [PDO::ATTR_TIMEOUT => 2] + $shop['options'],
];

return [

    'default' => env('DB_CONNECTION', 'pgsql'),

    'connections' => [

        'pgsql' => [
            ...$shop,
            'application_name' => 'dithermic',
            // What a screen shows as saved is on the disk.
            ...$commits($replica === null ? 'on' : 'remote_apply'),
            // Who waits to be told what has changed keeps a line of its own, past a pooler.
            'direct_host' => env('DB_DIRECT_HOST', $shop['host']),
            'direct_port' => env('DB_DIRECT_PORT', $shop['port']),
        ],

        // Sessions and what is kept to be at hand only: losing the last half second of these in a crash hurts nobody.
        // The name keeps its connections apart: PHP hands a persistent connection to whoever asks with the same
        // address, settings and all.
        'pgsql_soft' => [
            ...$shop,
            'database' => $named('soft'),
            'application_name' => 'dithermic-soft',
            ...$commits('off'),
        ],

        ...($replica === null ? [] : ['pgsql_reading' => $replica]),

    ],

    'migrations' => [
        'table' => 'migrations',
        'update_date_on_publish' => true,
    ],

];
