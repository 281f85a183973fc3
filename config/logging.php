<?php

// One line of JSON for each event, a file a day, thirty days (docs/operations.md). What persons said or are called is in none of them.
return [
    'default' => env('LOG_CHANNEL', 'json'),
    'channels' => [
        'json' => [
            'driver' => 'daily', 'path' => storage_path('logs/mintcarry.log'), 'days' => 30, 'level' => env('LOG_LEVEL', 'info'),
            'permission' => 0640, 'tap' => [App\Support\WithoutPersons::class],
        ],
        'stderr' => [
            'driver' => 'monolog', 'handler' => Monolog\Handler\StreamHandler::class, 'handler_with' => ['stream' => 'php://stderr'],
            'tap' => [App\Support\WithoutPersons::class],
        ],
        'null' => ['driver' => 'monolog', 'handler' => Monolog\Handler\NullHandler::class],
        'emergency' => ['path' => storage_path('logs/emergency.log')],
    ],
];
