<?php

declare(strict_types=1);

namespace App\Live;

use App\Models\Fitting;

/**
 * Tells screens that something changed: a tiny file per fitting that the web server serves and screens poll. It holds a moment
 * and nothing else; its name cannot be guessed.
 */
final class ChangeSignal
{
    public static function key(Fitting $fitting): string
    {
        return substr(
            hash_hmac(
                'sha256', 'live/'.$fitting->getConnection()->getDatabaseName().'/'.$fitting->id, (string) config('app.key'),
            ),
            0, 40,
        );
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
        // Always as many digits, over those that stand there, in one write: a screen never reads half a number. A folder that
        // cannot be written slows screens down, it stops no shot.
        $file = @fopen($folder.'/'.self::key($fitting), 'c');
        if ($file !== false) {
            fwrite($file, sprintf('%020d', hrtime(true)));
            fclose($file);
        }
    }
}
