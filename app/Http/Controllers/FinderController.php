<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Contract\Asks;
use App\Fittings\FailureLog;
use App\Fittings\FittingLoader;
use App\Fittings\KeptDraws;
use App\Fittings\ModelVersion;
use App\Http\Input\Swing;
use App\Models\Fitting;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use MintCarry\Core\Finder\RackCandidates;
use MintCarry\Core\Report\FinderReport;
use OpenApi\Attributes as OA;

/**
 * Every legal setup on the rack, predicted for this player. Draws are kept for a while: where only the brief changed, they are
 * priced anew and nothing is flown.
 */
final class FinderController
{
    #[
        OA\Get(
            path: '/api/fittings/{fitting}/finder', operationId: 'finder',
            summary: 'Every legal setup on the rack, predicted for this player',
            parameters: [new Asks('only', "'all' | 'stock' | 'order' | 'own'"), new Asks('swing', 'string')], responses: [new Answer('Found')],
        ),
    ]
    public function __invoke(Request $request, Fitting $fitting): JsonResponse
    {
        $given = $request->validate(['only' => ['sometimes', Rule::in(RackCandidates::WHICH)]]);
        $judged = new FittingLoader($fitting);
        $heads = $judged->heads()->values();
        $swing = Swing::asked($request);
        $record = $judged->record($swing);
        $only = $given['only'] ?? RackCandidates::preset($record);
        $found = FailureLog::noted(FinderReport::of(
            $record, $only, $swing === null ? new KeptDraws($fitting, $only) : null, ModelVersion::now(),
        ), $fitting);
        foreach ($found['setups'] as $i => $setup) {
            // A head in a loft that has to be ordered is none of those that lie there.
            $isThere = $setup['rackAt'] !== null && $setup['otherLoftDeg'] === null;
            $found['setups'][$i]['headId'] = $isThere ? $heads[$setup['rackAt']]?->id : null;
        }

        return response()->json($found);
    }
}
