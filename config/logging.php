<?php

declare(strict_types=1);

// A log that cannot be written, because its disk is full, must not turn an answer into another one. With
// LOG_SYSLOG=true both logs go to the system's log too, from where its own means send them to another machine.
$also = env('LOG_SYSLOG', false) ? ['syslog'] : [];

return [
    'default' => env('LOG_CHANNEL', 'stack'),
    'deprecations' => ['channel' => 'null', 'trace' => false],
    'channels' => [
        'stack' => ['driver' => 'stack', 'channels' => ['file', ...$also], 'ignore_exceptions' => true],
        'security' => ['driver' => 'stack', 'channels' => ['tries', ...$also], 'ignore_exceptions' => true],
        'file' => [
            'driver' => 'single',
            'path' => storage_path('logs/laravel.log'),
            'level' => env('LOG_LEVEL', 'warning'),
            'permission' => 0640,
        ],
        'tries' => [
            'driver' => 'daily',
            'path' => storage_path('logs/security.log'),
            'level' => 'info',
            'days' => 90,
            'permission' => 0640,
        ],
        'syslog' => ['driver' => 'syslog', 'level' => 'info', 'ident' => 'dithermic', 'replace_placeholders' => true],
        'stderr' => [
            'driver' => 'monolog',
            'level' => env('LOG_LEVEL', 'warning'),
            'handler' => Monolog\Handler\StreamHandler::class,
            'handler_with' => ['stream' => 'php://stderr'],
        ],
        'null' => ['driver' => 'monolog', 'handler' => Monolog\Handler\NullHandler::class],
        'emergency' => ['path' => storage_path('logs/laravel.log')],
    ],
];
