<?php

// No file is ever served from storage: launch files live in the database and leave only through their own guarded route.
return ['default' => 'local', 'disks' => ['local' => ['driver' => 'local', 'root' => storage_path('app'), 'serve' => false]]];
