<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Contract\Asks;
use App\Fittings\FittingLoader;
use App\Models\Fitting;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use MintCarry\Core\Fitting\ShotSet;
use MintCarry\Core\Record\FittingRecord;
use MintCarry\Core\Report\CompareReport;
use OpenApi\Attributes as OA;

final class CompareController
{
    #[OA\Get(path: '/api/fittings/{fitting}/comparison', operationId: 'compare', summary: 'The setups side by side',
        parameters: [new Asks('visit', 'integer')], responses: [new Answer('Comparison')])]
    public function __invoke(Request $request, Fitting $fitting): JsonResponse
    {
        $given = $request->validate(['visit' => ['sometimes', 'integer']]);
        $judged = new FittingLoader($fitting);
        $visit = isset($given['visit']) ? (int) $given['visit'] : null;
        $sets = array_values(array_filter(array_map(
            static fn (ShotSet $s): ?ShotSet => $visit === null ? $s : ($s->byVisit()[$visit] ?? null), array_values($judged->sets),
        )));

        return response()->json(
            CompareReport::between(
                $sets, $judged->benchmark, $fitting->brief()->corridor, $judged->calibrations->bay->flight,
                FittingRecord::random(...), array_map(strval(...), array_keys($judged->withheld())),
            ),
        );
    }
}
