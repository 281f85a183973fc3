<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Http\Controllers\Concerns\NamesUser;
use App\Http\Resources\HeadResource;
use App\Http\Resources\PartResource;
use App\Http\Resources\SleeveResource;
use App\Models\Part;
use App\Models\RackHead;
use App\Models\Sleeve;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

/** Everything on a studio's rack. */
final class RackController
{
    use NamesUser;

    #[OA\Get(path: '/api/rack', operationId: 'rack', summary: 'Heads, sleeves and parts of the studio',
        responses: [new Answer('Rack')])]
    public function __invoke(Request $request): JsonResponse
    {
        $user = self::user($request);
        $mine = fn (string $model) => $model::query()->where('studio_id', $user->studio_id)->whereNull('retired_at');

        return response()->json([
            'heads' => $mine(RackHead::class)
                ->with(['sleeve', 'readings.fitter'])->orderBy('label')->get()
                ->map(fn (RackHead $h): array => (new HeadResource($h))->toArray($request)),
            'sleeves' => SleeveResource::collection($mine(Sleeve::class)->withCount('heads')->orderBy('name')->get()),
            'parts' => PartResource::collection($mine(Part::class)->orderBy('kind')->orderBy('label')->get()),
        ]);
    }
}
