<?php

return [
    // How many bytes an uploaded file may have before it is refused with a plain message.
    'upload_bytes' => 12_000_000,
    'sign_in_tries_per_minute' => 5,
];
