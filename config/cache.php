<?php

// Counts of tries and posts: in memory that the workers of one server share, elsewhere in small files. A database row for each
// would cost every shot two writes to disk.
return ['limiter' => env('LIMITER_STORE', 'file'), 'stores' => ['apc' => ['driver' => 'apc']]];
