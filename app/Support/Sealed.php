<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Contracts\Encryption\DecryptException;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\Log;

/** What is kept encrypted. Where the key is gone that it was written with (a restore without it), the rest goes on without it. */
final class Sealed
{
    /** What a person reads in its place. */
    public const LOST = 'It cannot be read here: it was encrypted with a key that this machine does not have.';

    /** @param  string|null  $kept  as it lies in the database; null where nothing is kept, or where it cannot be read */
    public static function open(?string $kept): ?string
    {
        try {
            return $kept === null ? null : Crypt::decryptString($kept);
        } catch (DecryptException) {
            Log::warning('encrypted with another key');

            return null;
        }
    }

    public static function say(?string $kept): ?string
    {
        return $kept === null ? null : self::open($kept) ?? self::LOST;
    }
}
