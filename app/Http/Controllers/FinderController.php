<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Resources\FinderResource;
use App\Models\Fitting;
use App\Support\Judged;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

/** Every legal setup on the rack, predicted for this player. */
final class FinderController
{
    public function __invoke(Request $request, Fitting $fitting): JsonResponse
    {
        $given = $request->validate(['only' => ['sometimes', Rule::in(['all', 'stock', 'own'])]]);

        return response()->json((new FinderResource(new Judged($fitting), $given['only'] ?? 'all'))->toArray($request));
    }
}
