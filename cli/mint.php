<?php

declare(strict_types=1);

use MintCarry\Cli\Program;

// Only the project's own classes are needed: no framework is loaded.
spl_autoload_register(static function (string $class): void {
    foreach (['MintCarry\\Core\\' => __DIR__.'/../core/', 'MintCarry\\Cli\\' => __DIR__.'/'] as $prefix => $folder) {
        if (str_starts_with($class, $prefix)) {
            require $folder.str_replace('\\', '/', substr($class, strlen($prefix))).'.php';
        }
    }
});

exit((new Program(STDIN, STDOUT, STDERR))->run(array_values(array_map(strval(...), array_slice((array) $_SERVER['argv'], 1)))));
