<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Fittings\FittingLoader;
use App\Http\Resources\JudgingResource;
use App\Models\Fitting;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** What the shots of a fitting do and do not say. */
final class JudgingController
{
    public function __invoke(Request $request, Fitting $fitting): JsonResponse
    {
        return response()->json((new JudgingResource(new FittingLoader($fitting)))->toArray($request));
    }
}
