<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\BeginPractice;
use App\Contract\Answer;
use App\Devices\SimulatedSetup;
use App\Fittings\FittingLoader;
use App\Http\Controllers\Concerns\NamesUser;
use App\Models\Fitting;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use MintCarry\Core\Impact\HiddenPlayers;
use MintCarry\Core\Judging\HiddenTruth;
use OpenApi\Attributes as OA;

/** Practice with a made-up player, in the demo alone: the real screens, and at the end what nobody sees of a real player. */
final class PracticeController
{
    use NamesUser;

    #[OA\Post(path: '/api/practice', operationId: 'practice.begin', summary: 'Begins a fitting of a made-up player; in the demo alone',
        responses: [new Answer('{ fittingId: integer }', 201)])]
    public function store(Request $request, BeginPractice $begin): JsonResponse
    {
        $user = self::user($request);
        if (! $user->studio->is_demo) {
            throw ValidationException::withMessages(['studio' => 'Made-up players are fitted in the demo, never in a studio.']);
        }

        return response()->json(['fittingId' => $begin($user)->id], 201);
    }

    /** Who the player is, and what the setups truly do for them: told once it was decided. */
    #[OA\Get(path: '/api/fittings/{fitting}/truth', operationId: 'practice.truth', summary: 'What a made-up player truly is; after the decision',
        responses: [new Answer('Truth')])]
    public function truth(Fitting $fitting): JsonResponse
    {
        abort_if($fitting->practice === null, 404);
        $decision = $fitting->decisions()->first()
            ?? throw ValidationException::withMessages(['decision' => 'First decide: then the player is told.']);
        $judged = new FittingLoader($fitting);
        $hand = $fitting->player->hand;
        $player = HiddenPlayers::named($fitting->practice, $hand);
        $flight = $fitting->flight();
        $corridor = $fitting->brief()->corridor;
        $setups = [];
        foreach ($judged->made() as $setup) {
            if (isset($judged->sets[$setup->id])) {
                $true = HiddenTruth::of($player, SimulatedSetup::effect($fitting, $setup), $hand, $flight, $corridor);
                $setups[] = ['tag' => $setup->tag, 'carryM' => $true->carryM, 'share' => $true->share];
            }
        }

        return response()->json([
            'player' => $fitting->practice, 'clubSpeedMps' => $player->clubSpeedMps, 'attackDeg' => $player->attackDeg,
            'pathDeg' => $player->pathDeg, 'faceDeg' => $player->faceDeg, 'squares' => $player->squares,
            'own' => $setups[0]['tag'] ?? null, 'pick' => $decision->setup->tag, 'setups' => $setups,
        ]);
    }
}
