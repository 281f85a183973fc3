<?php

// No mail but where a server is named (MAIL_HOST): the framework's own default would write links into the log.
return [
    'default' => env('MAIL_HOST') ? 'smtp' : 'array',
    'mailers' => [
        'smtp' => [
            'transport' => 'smtp', 'scheme' => env('MAIL_SCHEME'), 'host' => env('MAIL_HOST'), 'port' => env('MAIL_PORT', 587),
            'username' => env('MAIL_USERNAME'), 'password' => env('MAIL_PASSWORD'), 'timeout' => 10,
        ],
        'array' => ['transport' => 'array'],
    ],
    'from' => ['address' => env('MAIL_FROM_ADDRESS', 'mint-carry@localhost'), 'name' => env('MAIL_FROM_NAME', 'Mint Carry')],
];
