<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\TakeShots;
use App\Contract\Answer;
use App\Contract\Takes;
use App\Devices\SimulatedSetup;
use App\Models\Bay;
use App\Models\Fitting;
use App\Models\Setup;
use App\Models\Trial;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use MintCarry\Core\Impact\HiddenPlayers;
use MintCarry\Core\Impact\ShotMaker;
use MintCarry\Core\Intake\Post;
use MintCarry\Core\Intake\PostedShot;
use OpenApi\Attributes as OA;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Made-up shots from a made-up player, for practice. */
final class SimulationController
{
    /** Hits shots with the setup in the hand, by a made-up player, through the bay's own intake. */
    #[OA\Post(path: '/api/fittings/{fitting}/simulate', operationId: 'simulation.store', summary: 'Hits simulated shots',
        requestBody: new Takes(['count' => 'integer', 'player?' => 'string', 'clubData?' => 'boolean']),
        responses: [new Answer('PostedAnswers', 201)])]
    public function store(Request $request, Fitting $fitting, TakeShots $take): JsonResponse
    {
        $given = $request->validate([
            'count' => ['required', 'integer', 'between:1,5'],
            // Who practises hits with the player whom nobody tells.
            'player' => [$fitting->practice === null ? 'required' : 'sometimes', Rule::in(HiddenPlayers::NAMES)],
            'clubData' => ['sometimes', 'boolean'],
        ]);
        abort_unless(
            $fitting->studio->takesSimulated(), 403,
            'This studio takes no simulated shots. They are switched on in the bay, on its screen.',
        );
        $bay = Bay::query()->where('studio_id', $fitting->studio_id)->where('fitting_id', $fitting->id)->first();
        $trial = $fitting->running_trial_id === null ? null : Trial::query()->find($fitting->running_trial_id);
        if ($bay === null || $trial === null) {
            throw ValidationException::withMessages([
                'bay' => $bay === null
                        ? 'This fitting is in no bay: choose one first.'
                        : 'No trial is running: choose the setup in the hand first.',
            ]);
        }
        Gate::authorize('use', $bay);
        $setup = Setup::query()->with(Setup::MADE_OF)->findOrFail($trial->setup_id);
        $maker = new ShotMaker(
            SimulatedSetup::effect($fitting, $setup), $fitting->player->hand,
            new Randomizer(new Mt19937(random_int(0, PHP_INT_MAX))),
        );
        $player = HiddenPlayers::named($fitting->practice ?? $given['player'], $fitting->player->hand);
        $shots = [];
        for ($i = 0; $i < $given['count']; $i++) {
            $shots[] = PostedShot::made(
                (string) Str::uuid(), ShotMaker::seen($maker->hit($player), $given['clubData'] ?? true), 'simulated',
            );
        }

        return response()->json(['results' => $take($bay, Post::of($shots))], 201);
    }
}
