<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\SettleHeldShot;
use App\Contract\Answer;
use App\Contract\Takes;
use App\Http\Controllers\Concerns\NamesUser;
use App\Http\Resources\HeldShotResource;
use App\Models\Fitting;
use App\Models\HeldShot;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

/** The tray of shots that a monitor sent and that could not be stored. */
final class HeldShotController
{
    use NamesUser;

    #[OA\Get(path: '/api/fittings/{fitting}/held', operationId: 'heldShot.index', summary: 'Shots that wait to be settled',
        responses: [new Answer('HeldShot[]')])]
    public function index(Fitting $fitting): JsonResponse
    {
        return response()->json(HeldShot::waiting($fitting)->limit(500)->get()->map(HeldShotResource::line(...))->all());
    }

    /** One of them whole, as it was sent. */
    #[OA\Get(path: '/api/held/{held}', operationId: 'heldShot.show', summary: 'A held shot whole, as it was sent',
        responses: [new Answer('HeldDetail')])]
    public function show(Request $request, HeldShot $held): JsonResponse
    {
        return response()->json((new HeldShotResource($held))->toArray($request));
    }

    /** Takes it with the values put right; without values it is discarded. */
    #[OA\Patch(path: '/api/held/{held}', operationId: 'heldShot.update', summary: 'Settles a held shot as a shot of a trial',
        requestBody: new Takes(['values' => 'Record<string, Typed> | null']),
        responses: [new Answer('{ settled: boolean; shot: integer | null }')])]
    public function update(Request $request, HeldShot $held, SettleHeldShot $settle): JsonResponse
    {
        $given = $request->validate(['values' => ['present', 'nullable', 'array']]);
        if ($given['values'] === null) {
            return $this->destroy($request, $held, $settle);
        }

        return response()->json(['settled' => true, 'shot' => $settle->take($held, self::user($request), $given['values'])]);
    }

    /** Discards it; the log can take that back. */
    #[OA\Delete(path: '/api/held/{held}', operationId: 'heldShot.destroy', summary: 'Discards a held shot',
        responses: [new Answer('{ settled: boolean; shot: integer | null }')])]
    public function destroy(Request $request, HeldShot $held, SettleHeldShot $settle): JsonResponse
    {
        $settle->discard($held, self::user($request));

        return response()->json(['settled' => true, 'shot' => null]);
    }
}
