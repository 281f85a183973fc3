<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Fitting;
use App\Support\Judged;
use Illuminate\Http\JsonResponse;
use MintCarry\Core\Fitting\Comparison;
use MintCarry\Core\Fitting\CorridorShare;
use MintCarry\Core\Fitting\LaunchSpinField;
use MintCarry\Core\Fitting\ShotSet;
use MintCarry\Core\Fitting\SideEstimate;

final class CompareController
{
    public function __invoke(Fitting $fitting): JsonResponse
    {
        $judged = new Judged($fitting);
        $sets = array_values($judged->sets);
        $comparison = Comparison::of($sets, $judged->benchmark, $judged->random());
        $pooled = $sets === [] ? 0.0 : SideEstimate::pooledSpread($sets);

        return response()->json([
            'benchmark' => $comparison->benchmark,
            'rows' => array_map(fn (array $row): array => [
                'measure' => $row['measure']->value,
                'label' => $row['measure']->label(),
                'cells' => array_map(fn (array $cell): array => [
                    'summary' => $cell['summary'],
                    'computed' => $cell['computed'],
                    'difference' => $cell['difference'] === null ? null : ['value' => $cell['difference']->value, 'interval' => $cell['difference']->interval, 'clear' => $cell['difference']->isClear()],
                ], $row['cells']),
            ], $comparison->rows),
            'sets' => array_map(fn (ShotSet $set): array => [
                'tag' => $set->tag,
                'n' => $set->count(),
                'ellipse' => $set->ellipse(),
                'share' => CorridorShare::of(SideEstimate::of($set, $pooled), $fitting->brief()->corridor, $judged->random()),
            ], $sets),
            'field' => LaunchSpinField::around($sets, $fitting->flight()),
        ]);
    }
}
