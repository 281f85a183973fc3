<?php

// What differs from the framework's own defaults. Assets are addressed from the root of whatever host serves the page.
return ['name' => 'Mint Carry', 'asset_url' => '/'];
