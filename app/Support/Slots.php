<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Support\Sleep;

/** Places of which a few are to be had at once. A place is a lock on a file: it is free again when whoever held it ends, however that ends. */
final class Slots
{
    /** @return resource|null the place; null where all are taken */
    public function take(string $name, int $most)
    {
        $folder = storage_path('framework/slots');
        if (! is_dir($folder)) {
            @mkdir($folder, 0750, true);
        }
        for ($i = 0; $i < $most; $i++) {
            $file = @fopen("{$folder}/{$name}-{$i}", 'c');
            if ($file === false) {
                // A folder that cannot be written takes nothing from anybody.
                return fopen('php://memory', 'r') ?: null;
            }
            if (flock($file, LOCK_EX | LOCK_NB)) {
                return $file;
            }
            fclose($file);
        }

        return null;
    }

    /**
     * The only place of its name, once whoever has it ends.
     *
     * @return resource|null null where it cannot be written
     */
    public function wait(string $name)
    {
        $place = $this->take($name, 1);
        for ($waited = 0; $place === null && $waited < 600; $waited++) {
            Sleep::usleep(50_000);
            $place = $this->take($name, 1);
        }

        return $place;
    }

    /** @param  resource|null  $place */
    public function free($place): void
    {
        if (is_resource($place)) {
            fclose($place);
        }
    }
}
