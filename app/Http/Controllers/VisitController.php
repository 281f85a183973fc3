<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\EndTrial;
use App\Contract\Answer;
use App\Http\Controllers\Concerns\NamesUser;
use App\Http\Resources\BayResource;
use App\Journal\Journal;
use App\Models\Fitting;
use App\Models\Visit;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

/** Visits of a player: a fitting may have several. */
final class VisitController
{
    use NamesUser;

    public function __construct(private readonly Journal $journal)
    {
    }

    /** Another visit begins now, whatever the clock says. */
    #[OA\Post(path: '/api/fittings/{fitting}/visits', operationId: 'visit.store', summary: 'Begins another visit',
        responses: [new Answer('BayView', 201)])]
    public function store(Request $request, Fitting $fitting, EndTrial $endTrial): JsonResponse
    {
        $user = self::user($request);
        $this->journal->record($fitting, $user, fn (Visit $v): string => "began visit {$v->number}", function () use (
            $fitting, $user, $endTrial,
        ): Visit {
            $endTrial($fitting);

            return Visit::now($fitting, $user, another: true);
        });

        return response()->json((new BayResource($fitting))->toArray($request), 201);
    }
}
