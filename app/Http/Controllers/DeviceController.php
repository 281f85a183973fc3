<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Devices\Device;
use App\Http\Controllers\Concerns\NamesUser;
use App\Models\RackHead;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use MintCarry\Core\Club\HeadReading;
use MintCarry\Core\Club\PlayingGeometry;

final class DeviceController
{
    use NamesUser;

    /** How far a device is off on its check piece. */
    public function check(Request $request, string $device): JsonResponse
    {
        return response()->json(self::device($request, $device)->check());
    }

    public function zero(Request $request, string $device): JsonResponse
    {
        self::device($request, $device)->zero();

        return response()->json(['zeroed' => true]);
    }

    /** One reading of a head at a sleeve position. Fills a field on the screen; nothing is stored. */
    public function read(Request $request, RackHead $head, string $device): JsonResponse
    {
        $given = $request->validate(['position' => ['sometimes', 'nullable', 'string', 'max:12'], 'readAs' => ['sometimes', 'in:soled,squared']]);
        $truth = $head->truth ?? self::hidden($head);
        if ($device === 'balance') {
            return response()->json(self::device($request, 'balance')->reading(['massG' => $truth['massG']]));
        }
        $system = $head->system();
        $position = (string) ($given['position'] ?? '');
        $shown = PlayingGeometry::present(new HeadReading($truth['loftDeg'], $truth['lieDeg'], $truth['faceOpenDeg']), $system->position($position === '' ? $system->home : $position)->tilts, ($given['readAs'] ?? 'soled') === 'squared' ? 1.0 : 0.0);

        return response()->json(self::device($request, $device)->reading(['loftDeg' => $shown->loftDeg, 'lieDeg' => $shown->lieDeg, 'faceOpenDeg' => $shown->faceOpenDeg]));
    }

    private static function device(Request $request, string $name): Device
    {
        return new Device($name, self::user($request)->studio->takesSimulated());
    }

    /**
     * What the stand-in finds on a head that was typed in: close to its print, and off as heads are. The same head is always off by the same.
     *
     * @return array{loftDeg: float, lieDeg: float, faceOpenDeg: float, massG: float}
     */
    private static function hidden(RackHead $head): array
    {
        $part = fn (string $what): float => (crc32("{$head->id}/{$head->label}/{$what}") % 2001) / 1000 - 1;

        return ['loftDeg' => max(5.0, min(19.0, $head->stated_loft_deg + 1.2 * $part('loft'))), 'lieDeg' => $head->stated_lie_deg + 0.8 * $part('lie'), 'faceOpenDeg' => $head->stated_face_open_deg + $part('face'), 'massG' => $head->body()->massG + 2 * $part('mass')];
    }
}
