<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\AddSetup;
use App\Http\Requests\SetupRequest;
use App\Http\Resources\SetupResource;
use App\Models\Fitting;
use App\Models\Setup;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use MintCarry\Core\Club\AddressHabit;

final class SetupController
{
    public function store(SetupRequest $request, Fitting $fitting, AddSetup $add): JsonResponse
    {
        $columns = $request->columns();
        (new Setup($columns))->playing(AddressHabit::Squared); // refuses what geometry cannot hold, before it is kept
        $setup = $add($fitting, $columns, $request->validated('branchedFromId'));

        return response()->json((new SetupResource($setup->refresh()))->toArray($request), 201);
    }

    /**
     * Changes a setup that has no shots. One that has been hit is frozen, save for gauge readings and the note: they tell more about
     * what was hit, they do not change it.
     */
    public function update(SetupRequest $request, Setup $setup): JsonResponse
    {
        $columns = $request->columns();
        $setup->fill($columns);
        if ($setup->shots()->exists()) {
            $changed = array_diff(array_keys($setup->getDirty()), ['measured_loft_deg', 'measured_lie_deg', 'measured_face_open_deg', 'note', 'typed']);
            if ($changed !== []) {
                return response()->json(['message' => "Setup {$setup->tag} has shots, so what was hit stays as it is. Make a new setup from it; readings and the note can still be changed."], 409);
            }
        }
        $setup->playing(AddressHabit::Squared);
        $setup->save();

        return response()->json((new SetupResource($setup->loadCount('shots')))->toArray($request));
    }

    public function destroy(Request $request, Setup $setup): JsonResponse
    {
        $fitting = $setup->fitting;
        if ($setup->shots()->exists() || $fitting->benchmark_setup_id === $setup->id) {
            return response()->json(['message' => $fitting->benchmark_setup_id === $setup->id ? "Setup {$setup->tag} is the benchmark; make another one the benchmark first." : "Setup {$setup->tag} has shots and stays in the record."], 409);
        }
        $setup->delete();

        return response()->json(['deleted' => true]);
    }
}
