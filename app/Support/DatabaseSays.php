<?php

declare(strict_types=1);

namespace App\Support;

use PDOException;
use Throwable;

/** Which error of MariaDB lies behind a failure, however deep it was wrapped. */
final class DatabaseSays
{
    /** @param  list<int>  $numbers */
    public static function oneOf(Throwable $e, array $numbers): bool
    {
        for ($cause = $e; $cause !== null; $cause = $cause->getPrevious()) {
            if ($cause instanceof PDOException && in_array((int) ($cause->errorInfo[1] ?? $cause->getCode()), $numbers, true)) {
                return true;
            }
        }

        return false;
    }
}
