<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Contract\Takes;
use App\Http\Controllers\Concerns\NamesUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

/** What holds for a whole studio. */
final class StudioController
{
    use NamesUser;

    /** Switches simulated shots and stand-in readings on or off. Those that are there stay, and stay marked. */
    #[OA\Patch(path: '/api/studio', operationId: 'studio.update', summary: 'Switches simulated shots and stand-in readings on or off',
        requestBody: new Takes(['takesSimulated' => 'boolean']),
        responses: [new Answer('{ takesSimulated: boolean }')])]
    public function update(Request $request): JsonResponse
    {
        $given = $request->validate(['takesSimulated' => ['required', 'boolean']]);
        $studio = self::user($request)->studio;
        $studio->update(['takes_simulated' => (bool) $given['takesSimulated']]);

        return response()->json(['takesSimulated' => $studio->takesSimulated()]);
    }
}
