<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Contract\Asks;
use App\Contract\Takes;
use App\Http\Controllers\Concerns\NamesUser;
use App\Http\Resources\BayResource;
use App\Models\Bay;
use App\Models\Fitting;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;

/** Bays: places with a monitor of their own, and what the screen of one shows. */
final class BayController
{
    use NamesUser;

    /** All that the live screen of a fitting shows. */
    #[
        OA\Get(
            path: '/api/fittings/{fitting}/bay', operationId: 'bay.show',
            summary: 'The live screen; what has not changed since the stamp is left out', parameters: [new Asks('stamp', 'string')],
            responses: [new Answer('BayView | BayChange')],
        ),
    ]
    public function show(Request $request, Fitting $fitting): BayResource
    {
        return new BayResource($fitting);
    }

    #[OA\Get(path: '/api/bays', operationId: 'bay.index', summary: 'The bays of the studio', responses: [new Answer('Bay[]')])]
    public function index(Request $request): JsonResponse
    {
        return response()->json(
            Bay::query()->where('studio_id', self::user($request)->studio_id)->orderBy('name')->get()->map(BayResource::bay(...))->all(),
        );
    }

    #[OA\Post(path: '/api/bays', operationId: 'bay.store', summary: 'Adds a bay',
        requestBody: new Takes(['name' => 'string']),
        responses: [new Answer('Bay', 201)])]
    public function store(Request $request): JsonResponse
    {
        $user = self::user($request);
        $given = $request->validate(
            ['name' => ['required', 'string', 'max:40', Rule::unique('bays', 'name')->where('studio_id', $user->studio_id)]],
            ['name.unique' => 'There is already a bay of that name.'],
        );
        $bay = Bay::query()->create(['studio_id' => $user->studio_id, 'name' => trim($given['name'])]);

        return response()->json(BayResource::bay($bay->refresh()), 201);
    }

    /** Brings a fitting into a bay, or takes it out. */
    #[OA\Patch(path: '/api/bays/{bay}', operationId: 'bay.update', summary: 'Brings a fitting into a bay, or takes it out',
        requestBody: new Takes(['fittingId' => 'integer | null']),
        responses: [new Answer('Bay')])]
    public function update(Request $request, Bay $bay): JsonResponse
    {
        $given = $request->validate([
            'fittingId' => ['present', 'nullable', 'integer', Rule::exists('fittings', 'id')->where('studio_id', $bay->studio_id)->whereNull('binned_at')],
        ]);
        $bay->update(['fitting_id' => $given['fittingId']]);

        return response()->json(BayResource::bay($bay));
    }

    /** A new token for the monitor of this bay, shown once; the one before stops working. */
    #[
        OA\Post(
            path: '/api/bays/{bay}/token', operationId: 'bay.token',
            summary: 'Makes the token of a bay anew; the one before opens nothing any more',
            responses: [new Answer('{ token: string; bay: Bay }', 201)],
        ),
    ]
    public function token(Bay $bay): JsonResponse
    {
        return response()->json(['token' => $bay->renewToken(), 'bay' => BayResource::bay($bay)], 201);
    }

    #[OA\Delete(path: '/api/bays/{bay}/token', operationId: 'bay.revoke', summary: 'Takes the token of a bay away',
        responses: [new Answer('Bay')])]
    public function revoke(Bay $bay): JsonResponse
    {
        $bay->update(['token_hash' => null, 'token_made_at' => null]);

        return response()->json(BayResource::bay($bay));
    }
}
