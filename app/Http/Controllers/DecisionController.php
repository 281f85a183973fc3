<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Resources\AdviceResource;
use App\Http\Resources\FittingResource;
use App\Models\Decision;
use App\Models\Fitting;
use App\Models\User;
use App\Support\Journal;
use App\Support\Judged;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

final class DecisionController
{
    public function advice(Request $request, Fitting $fitting): JsonResponse
    {
        return response()->json((new AdviceResource(new Judged($fitting)))->toArray($request));
    }

    public function index(Fitting $fitting): JsonResponse
    {
        return response()->json($fitting->decisions()->with(['setup', 'fitter'])->get()->map(FittingResource::decision(...))->all());
    }

    /** Saves the decision with the advice as it stood. Choosing otherwise than advised asks for a reason. */
    public function store(Request $request, Fitting $fitting): JsonResponse
    {
        $given = $request->validate(['setupId' => ['required', 'integer'], 'reason' => ['nullable', 'string', 'max:2000']]);
        $judged = new Judged($fitting);
        $advice = (new AdviceResource($judged))->toArray($request);
        $chosen = $judged->setups[$given['setupId']] ?? null;
        if ($chosen === null || ! isset($judged->sets[$chosen->id])) {
            throw ValidationException::withMessages(['setupId' => 'Choose a setup of this fitting that has counted shots.']);
        }
        $reason = trim((string) ($given['reason'] ?? ''));
        if ($chosen->tag !== $advice['pick'] && $reason === '') {
            throw ValidationException::withMessages(['reason' => "The shots speak for {$advice['pick']}. Say in a sentence why {$chosen->tag} is chosen; it goes on the record."]);
        }
        /** @var User $user */
        $user = $request->user();
        $advisedId = array_key_first(array_filter($judged->setups, fn ($s): bool => $s->tag === $advice['pick']));
        $decision = Journal::note($fitting, $user, "decided for {$chosen->tag}", fn (): Decision => Decision::query()->create(['studio_id' => $fitting->studio_id, 'fitting_id' => $fitting->id, 'setup_id' => $chosen->id, 'advised_setup_id' => $advisedId ?? $chosen->id,
            'reason' => $reason, 'advice' => $advice, 'decided_by' => $user->id]));
        $fitting->touch();

        return response()->json(FittingResource::decision($decision->load(['setup', 'fitter'])), 201);
    }
}
