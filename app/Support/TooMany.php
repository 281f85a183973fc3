<?php

declare(strict_types=1);

namespace App\Support;

use App\Words\PlayersLanguage;
use Illuminate\Http\Request;

/** What somebody reads who tried too often: for how long they really have to wait. */
final class TooMany
{
    public static function says(Request $request, int $waitS): string
    {
        return PlayersLanguage::ofPhone($request)->say('error.tooMany', ['minutes' => max(1, (int) ceil($waitS / 60))]);
    }
}
