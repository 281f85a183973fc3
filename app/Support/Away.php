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

    /** Numbers of MariaDB: no connection (2002 to 2006, 2013), too many of them, shutting down, killed, its disk full. */
    private const NUMBERS = [2002, 2003, 2005, 2006, 2013, 1040, 1053, 1203, 1927, 1021, 1114];

    public static function isMeant(Throwable $e): bool
    {
        for ($cause = $e; $cause !== null; $cause = $cause->getPrevious()) {
            if (! $cause instanceof PDOException) {
                continue;
            }
            if (in_array((int) ($cause->errorInfo[1] ?? $cause->getCode()), self::NUMBERS, true) || (new LostConnectionDetector)->causedByLostConnection($cause)) {
                return true;
            }
        }

        return false;
    }

    public static function answer(): JsonResponse
    {
        return response()->json([
            'message' => 'The studio’s database does not answer at the moment. What you typed is still on this screen; try again in a few seconds.',
        ], 503, ['Retry-After' => (string) self::RETRY_S]);
    }
}
