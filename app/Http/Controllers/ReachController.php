<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Contract\Asks;
use App\Fittings\FittingLoader;
use App\Models\Blind;
use App\Models\Fitting;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use MintCarry\Core\Record\FittingRecord;
use MintCarry\Core\Report\LoftAndWind;
use MintCarry\Core\Report\LoftLadder;
use MintCarry\Core\Report\SpeedLadder;
use MintCarry\Core\Report\StrikeMover;
use OpenApi\Attributes as OA;

/**
 * What the models say of this player beside the comparison: other lofts, other speeds, where strikes sit, two old questions. Nothing is
 * stored.
 */
final class ReachController
{
    #[OA\Get(path: '/api/fittings/{fitting}/loft-ladder', operationId: 'reach.lofts',
        summary: 'This player’s swing with a head in each of its lofts',
        parameters: [new Asks('head', 'string')], responses: [new Answer('LoftLadder')])]
    public function lofts(Request $request, Fitting $fitting): JsonResponse
    {
        $given = $request->validate(['head' => ['sometimes', 'string', 'max:80']]);

        return response()->json(LoftLadder::of(self::record($fitting), $given['head'] ?? null));
    }

    #[OA\Get(path: '/api/fittings/{fitting}/speed-ladder', operationId: 'reach.speeds',
        summary: 'What the shots did at each speed, and the loft wanted there',
        parameters: [new Asks('setup', 'string')], responses: [new Answer('SpeedLadder')])]
    public function speeds(Request $request, Fitting $fitting): JsonResponse
    {
        $given = $request->validate(['setup' => ['sometimes', 'string', 'max:3']]);

        return response()->json(SpeedLadder::of(self::record($fitting), $given['setup'] ?? null));
    }

    #[OA\Get(path: '/api/fittings/{fitting}/strikes', operationId: 'reach.strikes',
        summary: 'How strikes and the line of the CG can be brought together',
        parameters: [new Asks('setup', 'string')], responses: [new Answer('StrikeMoves')])]
    public function strikes(Request $request, Fitting $fitting): JsonResponse
    {
        $given = $request->validate(['setup' => ['sometimes', 'string', 'max:3']]);

        return response()->json(StrikeMover::of(self::record($fitting), $given['setup'] ?? null));
    }

    #[OA\Get(path: '/api/fittings/{fitting}/questions', operationId: 'reach.questions',
        summary: 'Is more loft straighter, and what to do in wind, for this player',
        responses: [new Answer('LoftAndWind')])]
    public function questions(Fitting $fitting): JsonResponse
    {
        $record = self::record($fitting);

        return response()->json(['loft' => LoftAndWind::loft($record), 'wind' => LoftAndWind::wind($record)]);
    }

    private static function record(Fitting $fitting): FittingRecord
    {
        if (Blind::open($fitting) !== null) {
            throw ValidationException::withMessages(['blind' => 'A blind trial is going on: nothing is told of the setups before the reveal.']);
        }

        return (new FittingLoader($fitting))->record();
    }
}
