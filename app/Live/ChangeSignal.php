<?php

declare(strict_types=1);

namespace App\Live;

use App\Models\Fitting;
use Illuminate\Support\Facades\Event;

/**
 * Tells screens that something changed, or was judged: a tiny file per fitting that the web server serves and screens poll. It holds
 * two moments and nothing else; its name cannot be guessed.
 */
final class ChangeSignal
{
    private const DIGITS = 20;

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
        self::write($fitting, 0);
        Event::dispatch(new FittingChanged($fitting));
    }

    /** A judgement of it is ready. */
    public static function judged(Fitting $fitting): void
    {
        self::write($fitting, self::DIGITS + 1);
    }

    /** @return float seconds since it changed; INF where that is not known */
    public static function age(Fitting $fitting): float
    {
        $changed = (int) substr((string) @file_get_contents(base_path('var/live/').self::key($fitting)), 0, self::DIGITS);

        // The clock begins anew with the machine.
        return $changed <= 0 || $changed > hrtime(true) ? INF : (hrtime(true) - $changed) / 1e9;
    }

    private static function write(Fitting $fitting, int $at): void
    {
        $folder = base_path('var/live');
        if (! is_dir($folder)) {
            @mkdir($folder, 0775, true);
        }
        // Always as many digits, over those that stand there, in one write: a screen never reads half a number. A folder that
        // cannot be written slows screens down, it stops no shot.
        $file = @fopen($folder.'/'.self::key($fitting), 'c');
        if ($file !== false) {
            fseek($file, $at);
            fwrite($file, sprintf('%0'.self::DIGITS.'d ', hrtime(true)));
            fclose($file);
        }
    }
}
