<?php

// Judgements are made ahead by a worker. Its queue is a table; QUEUE_CONNECTION=redis takes it elsewhere.
return [
    'default' => env('QUEUE_CONNECTION', 'database'),
    'connections' => [
        // What a worker took and did not end within this time is taken again: it was killed.
        'database' => ['driver' => 'database', 'table' => 'jobs', 'queue' => 'default', 'retry_after' => 60, 'after_commit' => false],
    ],
    'failed' => ['driver' => 'null'],
];
