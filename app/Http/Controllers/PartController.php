<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Contract\Takes;
use App\Data\Bin;
use App\Http\Controllers\Concerns\NamesUser;
use App\Http\Resources\PartResource;
use App\Models\Part;
use App\Rack\PartRules;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

final class PartController
{
    use NamesUser;

    #[
        OA\Post(
            path: '/api/parts', operationId: 'part.store', summary: 'Puts a shaft, grip or ball on the rack',
            requestBody: new Takes([
                'kind?' => "'shaft' | 'grip' | 'ball'", 'label' => 'string', 'data?' => 'Record<string, number | string | null>',
                'supply?' => 'TypedSupply',
            ]),
            responses: [new Answer('Part', 201)],
        ),
    ]
    public function store(Request $request): JsonResponse
    {
        $studio = self::user($request)->studio_id;
        $part = Part::query()->create((new PartRules($studio, $request->all()))->columns() + ['studio_id' => $studio]);

        return response()->json((new PartResource($part->refresh()))->toArray($request), 201);
    }

    #[
        OA\Patch(
            path: '/api/parts/{part}', operationId: 'part.update', summary: 'Changes a part',
            requestBody: new Takes([
                'kind?' => "'shaft' | 'grip' | 'ball'", 'label' => 'string', 'data?' => 'Record<string, number | string | null>',
                'supply?' => 'TypedSupply',
            ]),
            responses: [new Answer('Part')],
        ),
    ]
    public function update(Request $request, Part $part): JsonResponse
    {
        $part->update((new PartRules($part->studio_id, $request->all(), $part))->columns());

        return response()->json((new PartResource($part))->toArray($request));
    }

    /** Takes it off the rack. Setups that were built with it keep it. */
    #[OA\Delete(path: '/api/parts/{part}', operationId: 'part.destroy', summary: 'Takes a part off the rack; setups keep it',
        responses: [new Answer('{ retired: boolean }')])]
    public function destroy(Request $request, Part $part, Bin $bin): JsonResponse
    {
        $bin->throwAway($part, self::user($request));

        return response()->json(['retired' => true]);
    }
}
