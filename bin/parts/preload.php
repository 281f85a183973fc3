<?php

// Loads, once for all php-fpm workers, the classes of packages that every request needs (opcache.preload): those that a post to the bay feed, a bay screen and a sign-in were seen to load. They stand in preload.txt, by name; one that a newer package no longer has is passed over. Only classes of packages: the application's own are read again when they change.

use Illuminate\Contracts\Http\Kernel;

require __DIR__.'/../../vendor/autoload.php';
$kernel = (require __DIR__.'/../../bootstrap/app.php')->make(Kernel::class);
foreach (file(__DIR__.'/preload.txt', FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [] as $name) {
    class_exists($name) || interface_exists($name) || trait_exists($name);
}
