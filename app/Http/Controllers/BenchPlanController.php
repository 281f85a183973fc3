<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Fittings\FittingLoader;
use App\Models\Fitting;
use Illuminate\Http\JsonResponse;
use MintCarry\Core\Report\PreparedBench;
use OpenApi\Attributes as OA;

/** What to lay out before the player comes. Nothing is stored. */
final class BenchPlanController
{
    #[OA\Get(path: '/api/fittings/{fitting}/bench-plan', operationId: 'benchPlan', summary: 'What to lay out, in the order that needs the fewest change-overs',
        responses: [new Answer('BenchPlan')])]
    public function __invoke(Fitting $fitting): JsonResponse
    {
        $loader = new FittingLoader($fitting);
        $plan = PreparedBench::of($loader->record());
        $heads = $loader->heads()->values();
        foreach ($plan['items'] as $i => $item) {
            $plan['items'][$i] = ['headId' => $heads[$item['rackAt']]?->id, 'masses' => (object) $item['masses']] + array_diff_key($item, ['rackAt' => 1]);
        }

        return response()->json($plan);
    }
}
