<?php

// Counts of tries and posts are kept in small files: a database row for each would cost every shot two writes to disk.
return ['limiter' => 'file'];
