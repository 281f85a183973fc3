<?php

// Judgements are made ahead by a worker. Its queue is a table; MINT_QUEUE=redis takes it elsewhere.
return [
    'default' => env('MINT_QUEUE', 'database'),
    'connections' => [
        // What a worker took and did not end within this time is taken again: it was killed.
        'database' => ['driver' => 'database', 'table' => 'jobs', 'queue' => 'default', 'retry_after' => 60, 'after_commit' => false],
    ],
    'failed' => ['driver' => 'null'],
];
