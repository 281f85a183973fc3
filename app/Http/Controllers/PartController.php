<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Controllers\Concerns\NamesUser;
use App\Http\Requests\PartRequest;
use App\Http\Resources\PartResource;
use App\Models\Part;
use Illuminate\Http\JsonResponse;

final class PartController
{
    use NamesUser;

    public function store(PartRequest $request): JsonResponse
    {
        $user = self::user($request);
        $part = Part::query()->create($request->columns() + ['studio_id' => $user->studio_id, 'kind' => $request->validated('kind')]);

        return response()->json((new PartResource($part->refresh()))->toArray($request), 201);
    }

    public function update(PartRequest $request, Part $part): JsonResponse
    {
        $part->update($request->columns());

        return response()->json((new PartResource($part))->toArray($request));
    }

    /** Takes it off the rack. Setups that were built with it keep it. */
    public function destroy(Part $part): JsonResponse
    {
        $part->update(['retired_at' => now()]);

        return response()->json(['retired' => true]);
    }
}
