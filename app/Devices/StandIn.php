<?php

declare(strict_types=1);

namespace App\Devices;

use App\Models\RackHead;
use App\Models\SimulatedHead;

/** What the stand-in gauge and balance find on a head: what was made up for it, else something close to its print and off as heads are. */
final class StandIn
{
    /** @return array{loftDeg: float, lieDeg: float, faceOpenDeg: float, massG: float} the same for the same head */
    public static function truthOf(RackHead $head): array
    {
        $made = SimulatedHead::query()->where('head_id', $head->id)->first();
        if ($made !== null) {
            return $made->truth;
        }
        $off = static fn (string $what): float => (crc32("{$head->id}/{$head->label}/{$what}") % 2001) / 1000 - 1;

        return [
            'loftDeg' => max(5.0, min(19.0, $head->stated_loft_deg + 1.2 * $off('loft'))),
            'lieDeg' => $head->stated_lie_deg + 0.8 * $off('lie'),
            'faceOpenDeg' => $head->stated_face_open_deg + $off('face'),
            'massG' => $head->body()->massG + 2 * $off('mass'),
        ];
    }
}
