<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Database\LostConnectionDetector;
use Illuminate\Http\JsonResponse;
use PDOException;
use Throwable;

/** The database cannot be reached, or went away while it was asked: nobody's fault who asks, and over soon. */
final class Away
{
    /** It is tried again after so long: the supervisor starts it within a second, and it reads its log. */
    private const RETRY_S = 5;

    /** Numbers of MariaDB: no connection (2002 to 2006, 2013), too many of them, shutting down, killed. */
    private const NUMBERS = [2002, 2003, 2005, 2006, 2013, 1040, 1053, 1203, 1927];

    /** Its disk is full. */
    private const FULL = [1021, 1026, 1114];

    public static function isMeant(Throwable $e): bool
    {
        return DatabaseSays::oneOf($e, [...self::NUMBERS, ...self::FULL])
            || ($e->getPrevious() ?? $e) instanceof PDOException && (new LostConnectionDetector)->causedByLostConnection($e);
    }

    public static function answer(Throwable $e): JsonResponse
    {
        return response()->json(['message' => DatabaseSays::oneOf($e, self::FULL)
            ? 'The disk of the studio’s server is full. Nothing was taken; everything that was acknowledged is safe. Make room, and send it again.'
            : 'The studio’s database does not answer at the moment. What you typed is still on this screen; try again in a few seconds.',
        ], 503, ['Retry-After' => (string) self::RETRY_S]);
    }
}
