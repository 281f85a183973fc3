<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Judged\JudgingAhead;
use App\Support\Health;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\Log;

/**
 * Whether the application can be used: 200 with its version where the database answers within a second and has the tables of this
 * version, else 503 with the reason. A missing worker is a warning. No session, no sign-in.
 */
final class UpController
{
    public function __invoke(Health $health, JudgingAhead $ahead): JsonResponse
    {
        $why = $health->problem();
        if ($why !== null) {
            Log::error('not healthy', ['why' => $why]);
        }

        return response()->json(
            ['up' => $why === null, 'version' => config('mintcarry.version')] + ($why === null ? [] : ['why' => $why])
                + ($ahead->isWorked() ? [] : ['warnings' => ['No worker judges ahead: screens judge by themselves, which takes longer.']]),
            $why === null ? 200 : 503,
        );
    }
}
