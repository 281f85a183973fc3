<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Contract\Asks;
use App\Fittings\FittingLoader;
use App\Http\Input\Swing;
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
        parameters: [new Asks('visit', 'integer'), new Asks('swing', 'string')], responses: [new Answer('Comparison')])]
    public function __invoke(Request $request, Fitting $fitting): JsonResponse
    {
        $given = $request->validate(['visit' => ['sometimes', 'integer']]);
        $judged = new FittingLoader($fitting);
        $record = $judged->record(Swing::asked($request));
        $visit = isset($given['visit']) ? (int) $given['visit'] : null;
        $sets = array_values(array_filter(array_map(
            static fn (ShotSet $s): ?ShotSet => $visit === null ? $s : ($s->byVisit()[$visit] ?? null), array_values($record->sets()),
        )));

        return response()->json($record->toldSwings() + CompareReport::between(
            $sets, $record->benchmark, $record->brief->corridor, $record->flight, FittingRecord::random(...), CompareReport::withheld($record),
        ));
    }
}
