<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Contract\Asks;
use App\Exchange\CsvDownload;
use App\Fittings\Season;
use App\Http\Controllers\Concerns\NamesUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** A studio's months, and what its promises were worth. */
final class SeasonController
{
    use NamesUser;

    #[OA\Get(path: '/api/season', operationId: 'season.show', summary: 'What was fitted, what came back, and what was promised against what came',
        parameters: [new Asks('months', 'integer', '1 to 60; 12 where it is left out')], responses: [new Answer('Season')])]
    public function show(Request $request): JsonResponse
    {
        $user = self::user($request);

        return response()->json(Season::of($user->studio, self::months($request), $user->role->isFitter()));
    }

    #[OA\Get(path: '/api/season.csv', operationId: 'season.csv', summary: 'A line a decision, without anybody’s name',
        parameters: [new Asks('months', 'integer', '1 to 60; 12 where it is left out')], responses: [new Answer('text/csv')])]
    public function csv(Request $request): StreamedResponse
    {
        return CsvDownload::of('season.csv', Season::table(self::user($request)->studio, self::months($request)));
    }

    private static function months(Request $request): int
    {
        return (int) ($request->validate(['months' => ['sometimes', 'integer', 'between:1,60']])['months'] ?? 12);
    }
}
