<?php

return [
    'version' => trim((string) file_get_contents(base_path('VERSION'))),
    // How many bytes an uploaded file may have before it is refused with a plain message.
    'upload_bytes' => 12_000_000,
    // Whether this serves the demo: then its sign-in is good, and nothing is served beyond this machine.
    'demo' => (bool) env('MINT_DEMO', false),
    // Whether links are sent by mail.
    'mails' => (bool) env('MAIL_HOST', false),
    // Whether others than this machine are served; the name they type, and the proxies that are believed about who asks.
    'served' => (bool) env('MINT_SERVED', false),
    'host' => env('MINT_HOST') ?: null,
    'proxies' => array_values(array_filter(array_map(trim(...), explode(',', (string) env('TRUSTED_PROXIES', ''))))),
    // Who may read /metrics from elsewhere than this machine.
    'metrics_token' => env('MINT_METRICS_TOKEN') ?: null,
    'backups' => [
        'to' => env('MINT_BACKUP_TO') ?: base_path('var/backups'), 'at' => env('MINT_BACKUP_AT', '03:30'),
        'keep_days' => (int) env('MINT_BACKUP_KEEP_DAYS', 14),
    ],
    // Seconds after which a write that others kept refusing is given up.
    'patience_s' => 12.0,
    'bay_posts_per_minute' => 300,
    // All bays of a studio may stand behind one address.
    'address_posts_per_minute' => (int) env('MINT_ADDRESS_POSTS', 3000),
    // How many of a person's requests that judge are worked on at once, and how many of all persons'; how long one may take.
    'judging' => ['of_person' => 3, 'of_all' => 4, 'seconds' => (int) env('MINT_JUDGING_SECONDS', 20)],
    // Where the loft/lie gauge and the balance answer (docs/devices.md); empty = there is none.
    // Whose they are, by the exact name of the studio, where there are several.
    'devices_of' => env('MINT_DEVICES_OF') ?: null,
    'devices' => ['gauge' => env('MINT_GAUGE', ''), 'balance' => env('MINT_BALANCE', '')],
    // Under this much free disk no shot is taken: a plain refusal, before the database runs out.
    'least_free_mb' => (float) env('MINT_LEAST_FREE_MB', 100),
    // Changes with the models: what others judged is judged anew.
    'models' => App\Fittings\ModelVersion::now(),
    // Where flown shots and calibrations of a fitting are kept.
    'draws_store' => env('DRAWS_STORE', 'file'),
];
