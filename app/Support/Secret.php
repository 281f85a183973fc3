<?php

declare(strict_types=1);

namespace App\Support;

/** A secret for an address: 256 bits, in letters that any address takes. */
final class Secret
{
    public static function make(): string
    {
        return rtrim(strtr(base64_encode(random_bytes(32)), '+/', '-_'), '=');
    }
}
