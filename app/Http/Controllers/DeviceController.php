<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Contract\Takes;
use App\Devices\Device;
use App\Devices\StandIn;
use App\Http\Controllers\Concerns\NamesUser;
use App\Models\RackHead;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use MintCarry\Core\Club\HeadReading;
use MintCarry\Core\Club\PlayingGeometry;
use OpenApi\Attributes as OA;

final class DeviceController
{
    use NamesUser;

    /** How far a device is off on its check piece. */
    #[
        OA\Post(
            path: '/api/devices/{device}/check', operationId: 'device.check', summary: 'How far a device is off on its check piece',
            responses: [
                new Answer(
                    '{ certified: Record<string, number>; read: Record<string, number>; off: Record<string, number>; source: string }',
                ),
            ],
        ),
    ]
    public function check(Request $request, string $device): JsonResponse
    {
        return response()->json(self::device($request, $device)->check());
    }

    #[OA\Post(path: '/api/devices/{device}/zero', operationId: 'device.zero', summary: 'Zeroes a device',
        responses: [new Answer('{ zeroed: boolean }')])]
    public function zero(Request $request, string $device): JsonResponse
    {
        self::device($request, $device)->zero();

        return response()->json(['zeroed' => true]);
    }

    /** One reading of a head at a sleeve position. Fills a field on the screen; nothing is stored. */
    #[OA\Post(path: '/api/heads/{head}/read/{device}', operationId: 'device.read', summary: 'One reading by a device; nothing is stored',
        requestBody: new Takes(['position?' => 'string | null', 'readAs?' => "'soled' | 'squared'"]),
        responses: [new Answer('{ values: Record<string, number>; source: string }')])]
    public function read(Request $request, RackHead $head, string $device): JsonResponse
    {
        $given = $request->validate([
            'position' => ['sometimes', 'nullable', 'string', 'max:12'], 'readAs' => ['sometimes', 'in:soled,squared'],
        ]);
        $truth = StandIn::truthOf($head);
        if ($device === 'balance') {
            return response()->json(self::device($request, 'balance')->reading(['massG' => $truth['massG']]));
        }
        $system = $head->system();
        $position = (string) ($given['position'] ?? '');
        $shown = PlayingGeometry::present(
            new HeadReading($truth['loftDeg'], $truth['lieDeg'], $truth['faceOpenDeg']),
            $system->position($position === '' ? $system->home : $position)->tilts,
            ($given['readAs'] ?? 'soled') === 'squared' ? 1.0 : 0.0,
        );

        return response()->json(
            self::device($request, $device)->reading([
                'loftDeg' => $shown->loftDeg, 'lieDeg' => $shown->lieDeg, 'faceOpenDeg' => $shown->faceOpenDeg,
            ]),
        );
    }

    private static function device(Request $request, string $name): Device
    {
        return Device::of(self::user($request)->studio, $name);
    }
}
