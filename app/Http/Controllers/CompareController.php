<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Fitting;
use App\Support\Judged;
use Illuminate\Http\JsonResponse;
use MintCarry\Core\Report\CompareReport;

final class CompareController
{
    public function __invoke(Fitting $fitting): JsonResponse
    {
        $judged = new Judged($fitting);

        return response()->json(CompareReport::between(array_values($judged->sets), $judged->benchmark, $fitting->brief()->corridor, $fitting->flight(), $judged->random(...)));
    }
}
