<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Controllers\Concerns\NamesUser;
use App\Http\Resources\BayResource;
use App\Models\Bay;
use App\Models\Fitting;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

/** Bays: places with a monitor of their own, and what the screen of one shows. */
final class BayController
{
    use NamesUser;

    /** All that the live screen of a fitting shows. */
    public function show(Request $request, Fitting $fitting): BayResource
    {
        return new BayResource($fitting);
    }

    public function store(Request $request): JsonResponse
    {
        $user = self::user($request);
        $given = $request->validate(['name' => ['required', 'string', 'max:40', Rule::unique('bays', 'name')->where('studio_id', $user->studio_id)]], ['name.unique' => 'There is already a bay of that name.']);
        $bay = Bay::query()->create(['studio_id' => $user->studio_id, 'name' => trim($given['name'])]);

        return response()->json(BayResource::bay($bay->refresh()), 201);
    }

    /** Brings a fitting into a bay, or takes it out. */
    public function update(Request $request, Bay $bay): JsonResponse
    {
        $given = $request->validate(['fittingId' => ['present', 'nullable', 'integer', Rule::exists('fittings', 'id')->where('studio_id', $bay->studio_id)]]);
        $bay->update(['fitting_id' => $given['fittingId']]);

        return response()->json(BayResource::bay($bay));
    }

    /** A new token for the monitor of this bay, shown once; the one before stops working. */
    public function token(Bay $bay): JsonResponse
    {
        return response()->json(['token' => $bay->renewToken(), 'bay' => BayResource::bay($bay)], 201);
    }

    public function revoke(Bay $bay): JsonResponse
    {
        $bay->update(['token_hash' => null, 'token_made_at' => null]);

        return response()->json(BayResource::bay($bay));
    }
}
