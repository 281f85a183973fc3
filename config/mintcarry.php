<?php

return [
    // How many bytes an uploaded file may have before it is refused with a plain message.
    'upload_bytes' => 12_000_000,
    'sign_in_tries_per_minute' => 5,
    'bay_posts_per_minute' => 300,
    // Where the loft/lie gauge and the balance answer (docs/devices.md); empty = there is none.
    'devices' => ['gauge' => env('MINT_GAUGE', ''), 'balance' => env('MINT_BALANCE', '')],
];
