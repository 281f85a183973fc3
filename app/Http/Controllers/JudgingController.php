<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Contract\Asks;
use App\Fittings\FailureLog;
use App\Fittings\FittingLoader;
use App\Http\Input\Swing;
use App\Models\Fitting;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use MintCarry\Core\Report\JudgingReport;
use OpenApi\Attributes as OA;

/** What the shots of a fitting do and do not say. */
final class JudgingController
{
    #[OA\Get(path: '/api/fittings/{fitting}/judging', operationId: 'judging', summary: 'What the shots do and do not say',
        parameters: [new Asks('swing', 'string')], responses: [new Answer('Judging')])]
    public function __invoke(Request $request, Fitting $fitting): JsonResponse
    {
        return response()->json(FailureLog::noted(JudgingReport::of((new FittingLoader($fitting))->record(Swing::asked($request))), $fitting));
    }
}
