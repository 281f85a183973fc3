<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\RunTrial;
use App\Actions\TakeShots;
use App\Http\Controllers\Concerns\KeepsNote;
use App\Http\Controllers\Concerns\NamesUser;
use App\Http\Resources\BayResource;
use App\Models\Bay;
use App\Models\Blind;
use App\Models\Fitting;
use App\Models\Rating;
use App\Models\Setup;
use App\Models\Trial;
use App\Models\Visit;
use App\Support\InHand;
use App\Support\Journal;
use App\Support\Live;
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
use Random\Engine\Mt19937;
use Random\Randomizer;

final class BayController
{
    use KeepsNote, NamesUser;

    /** All that the live screen of a fitting shows. */
    public function show(Request $request, Fitting $fitting): BayResource
    {
        return new BayResource($fitting);
    }

    /** Begins a trial with a setup, or warm-up shots that are kept apart. The trial before it ends. */
    public function begin(Request $request, Fitting $fitting, RunTrial $run): JsonResponse
    {
        $given = $request->validate(['setupId' => ['required', 'integer', Rule::exists('setups', 'id')->where('fitting_id', $fitting->id)], 'kind' => ['sometimes', Rule::in(Trial::KINDS)]]);
        $user = self::user($request);
        Journal::note($fitting, $user, fn (Trial $t): string => ($t->kind === 'warm-up' ? 'began warm-up shots with ' : "began trial {$t->number} with ").$t->setup->tag, function () use ($fitting, $user, $given, $run): Trial {
            if (Blind::open($fitting) !== null) {
                throw ValidationException::withMessages(['setupId' => 'A blind trial is going on: go on to its next setting, or reveal it first.']);
            }

            return $run->begin($fitting, $user, (int) $given['setupId'], $given['kind'] ?? 'trial');
        });

        return response()->json((new BayResource($fitting->refresh()))->toArray($request), 201);
    }

    public function end(Request $request, Fitting $fitting, RunTrial $run): JsonResponse
    {
        Journal::note($fitting, self::user($request), 'ended the trial', fn () => $run->end($fitting));

        return response()->json((new BayResource($fitting))->toArray($request));
    }

    /** Another visit begins now, whatever the clock says. */
    public function visit(Request $request, Fitting $fitting, RunTrial $run): JsonResponse
    {
        $user = self::user($request);
        Journal::note($fitting, $user, fn (Visit $v): string => "began visit {$v->number}", function () use ($fitting, $user, $run): Visit {
            $run->end($fitting);

            return Visit::now($fitting, $user, another: true);
        });

        return response()->json((new BayResource($fitting))->toArray($request), 201);
    }

    /** A note on a trial, or no ratings for it. A note that somebody else changed meanwhile is not overwritten. */
    public function trial(Request $request, Trial $trial): JsonResponse
    {
        $given = $request->validate(self::NOTE + ['ratingSkipped' => ['sometimes', 'boolean']]);
        $note = array_key_exists('note', $given) ? (string) $given['note'] : null;
        if ($note !== null) {
            self::requireSeen($trial->note, $given);
        }
        $fitting = Fitting::query()->findOrFail($trial->fitting_id);
        $words = match ($note) {
            null => "skipped the ratings of trial {$trial->number}",
            '' => "took the note off trial {$trial->number}",
            default => "noted on trial {$trial->number}: {$note}",
        };
        Journal::note($fitting, self::user($request), $words, fn () => $trial->update(array_filter(['note' => $note, 'rating_skipped' => $given['ratingSkipped'] ?? null], fn (mixed $v): bool => $v !== null)));

        return response()->json((new BayResource($fitting))->toArray($request));
    }

    /** What the player says of the setup in the hand, 1 to 5, before seeing its numbers. */
    public function rate(Request $request, Trial $trial): JsonResponse
    {
        $given = $request->validate(['kind' => ['required', Rule::in(Rating::KINDS)], 'stars' => ['required', 'integer', 'between:1,5']]);
        $user = self::user($request);
        $fitting = Fitting::query()->findOrFail($trial->fitting_id);
        Journal::note($fitting, $user, "rated {$given['kind']} {$given['stars']} in trial {$trial->number}", fn () => Rating::query()->updateOrCreate(['trial_id' => $trial->id, 'kind' => $given['kind']],
            ['studio_id' => $trial->studio_id, 'fitting_id' => $trial->fitting_id, 'setup_id' => $trial->setup_id, 'stars' => $given['stars'], 'rated_by' => $user->id]));

        return response()->json((new BayResource($fitting))->toArray($request));
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

    /** Hits shots with the setup in the hand, by a made-up player, through the bay's own intake. */
    public function simulate(Request $request, Fitting $fitting, TakeShots $take): JsonResponse
    {
        $given = $request->validate(['count' => ['required', 'integer', 'between:1,5'], 'player' => ['required', Rule::in(HiddenPlayers::NAMES)], 'clubData' => ['sometimes', 'boolean']]);
        abort_unless($fitting->studio->takesSimulated(), 403, 'This studio takes no simulated shots. They are switched on in the bay, on its screen.');
        $bay = Bay::query()->where('studio_id', $fitting->studio_id)->where('fitting_id', $fitting->id)->first();
        $trial = $fitting->running_trial_id === null ? null : Trial::query()->find($fitting->running_trial_id);
        if ($bay === null || $trial === null) {
            throw ValidationException::withMessages(['bay' => $bay === null ? 'This fitting is in no bay: choose one first.' : 'No trial is running: choose the setup in the hand first.']);
        }
        Gate::authorize('use', $bay);
        $setup = Setup::query()->with(Setup::MADE_OF)->findOrFail($trial->setup_id);
        $maker = new ShotMaker(InHand::effect($fitting, $setup), $fitting->player->hand, new Randomizer(new Mt19937(random_int(0, PHP_INT_MAX))));
        $player = HiddenPlayers::named($given['player'], $fitting->player->hand);
        $shots = [];
        for ($i = 0; $i < $given['count']; $i++) {
            $shots[] = PostedShot::made((string) Str::uuid(), ShotMaker::seen($maker->hit($player), $given['clubData'] ?? true), 'simulated');
        }

        return response()->json(['results' => $take($bay, Post::of($shots))], 201);
    }
}
