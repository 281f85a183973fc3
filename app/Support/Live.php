<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Fitting;

/** Tells screens that something changed: a tiny file per fitting that the web server serves and screens poll. It holds a moment and nothing else; its name cannot be guessed. */
final class Live
{
    public static function key(Fitting $fitting): string
    {
        return substr(hash_hmac('sha256', 'live/'.$fitting->getConnection()->getDatabaseName().'/'.$fitting->id, (string) config('app.key')), 0, 40);
    }

    /** The name of a fitting's file, which is there from now on. */
    public static function begin(Fitting $fitting): string
    {
        $key = self::key($fitting);
        if (! is_file(base_path('var/live/').$key)) {
            self::changed($fitting);
        }

        return $key;
    }

    public static function changed(Fitting $fitting): void
    {
        $folder = base_path('var/live');
        if (! is_dir($folder)) {
            @mkdir($folder, 0775, true);
        }
        // Whole or not at all: a screen never reads half a number. A folder that cannot be written slows screens down, it stops no shot.
        $new = $folder.'/.'.bin2hex(random_bytes(6));
        if (@file_put_contents($new, (string) hrtime(true)) !== false) {
            @rename($new, $folder.'/'.self::key($fitting));
        }
    }
}
