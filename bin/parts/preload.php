<?php

// Loads, once for all php-fpm workers, what requests need (opcache.preload): the classes of packages that a post to the bay feed,
// a bay screen and a sign-in were seen to load, by name in preload.txt (one that a newer package no longer has is passed over),
// and the application's own. Changed PHP is served after the next bin/start, as changed routes and settings are.

use Illuminate\Contracts\Http\Kernel;

require __DIR__.'/../../vendor/autoload.php';
$root = dirname(__DIR__, 2);
$kernel = (require "{$root}/bootstrap/app.php")->make(Kernel::class);
$names = file(__DIR__.'/preload.txt', FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [];
foreach (['app' => 'App', 'core' => 'MintCarry\\Core'] as $folder => $space) {
    foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator("{$root}/{$folder}", FilesystemIterator::SKIP_DOTS)) as $file) {
        $names[] = $space.str_replace('/', '\\', substr((string) $file, strlen("{$root}/{$folder}"), -4));
    }
}
foreach ($names as $name) {
    class_exists($name) || interface_exists($name) || trait_exists($name);
}
