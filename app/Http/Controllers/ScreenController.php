<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Http\Controllers\Concerns\NamesUser;
use App\Http\Resources\FittingResource;
use App\Models\Bay;
use App\Models\Fitting;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

/** What a guest screen shows: its bay, and the fitting that is in it now. */
final class ScreenController
{
    use NamesUser;

    #[OA\Get(path: '/api/screen', operationId: 'screen.show', summary: 'The bay of a guest screen, and the fitting in it',
        responses: [new Answer('{ bay: string; fitting: Fitting | null }')])]
    public function show(Request $request): JsonResponse
    {
        $user = self::user($request);
        abort_if($user->bay_id === null, 404);
        $bay = Bay::query()->where('studio_id', $user->studio_id)->findOrFail($user->bay_id);
        $fitting = $bay->fitting_id === null ? null : Fitting::query()->findOrFail($bay->fitting_id);

        return response()->json([
            'bay' => $bay->name, 'fitting' => $fitting === null ? null : (new FittingResource($fitting))->toArray($request),
        ]);
    }
}
