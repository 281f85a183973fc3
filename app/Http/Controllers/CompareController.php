<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Fittings\FittingLoader;
use App\Models\Fitting;
use Illuminate\Http\JsonResponse;
use MintCarry\Core\Record\FittingRecord;
use MintCarry\Core\Report\CompareReport;
use OpenApi\Attributes as OA;

final class CompareController
{
    #[OA\Get(path: '/api/fittings/{fitting}/comparison', operationId: 'compare', summary: 'The setups side by side',
        responses: [new Answer('Comparison')])]
    public function __invoke(Fitting $fitting): JsonResponse
    {
        $judged = new FittingLoader($fitting);

        return response()->json(
            CompareReport::between(
                array_values($judged->sets), $judged->benchmark, $fitting->brief()->corridor, $judged->calibrations->bay->flight,
                FittingRecord::random(...), array_map(strval(...), array_keys($judged->withheld())),
            ),
        );
    }
}
