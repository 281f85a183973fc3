<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\BeginTrial;
use App\Actions\EndTrial;
use App\Contract\Answer;
use App\Contract\Takes;
use App\Http\Controllers\Concerns\NamesUser;
use App\Http\Resources\BayResource;
use App\Journal\Journal;
use App\Models\Blind;
use App\Models\Confirm;
use App\Models\Fitting;
use App\Models\Setup;
use App\Models\Trial;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use MintCarry\Core\Club\ChangeOver;
use MintCarry\Core\Fitting\BlindOrder;
use OpenApi\Attributes as OA;
use Random\Randomizer;

/** A blind trial: two or three settings in an order drawn by the server, which no screen shows before it is revealed. */
final class BlindController
{
    use NamesUser;

    public function __construct(private readonly Journal $journal)
    {
    }

    #[OA\Post(path: '/api/fittings/{fitting}/blind', operationId: 'blind.begin', summary: 'Begins a blind trial',
        requestBody: new Takes(['setupIds' => 'integer[]', 'rounds' => 'integer', 'shotsEach' => 'integer']),
        responses: [new Answer('BayView', 201)])]
    public function begin(Request $request, Fitting $fitting, BeginTrial $beginTrial): JsonResponse
    {
        $given = $request->validate(
            [
                'setupIds' => ['required', 'array', 'min:2', 'max:3'],
                'setupIds.*' => ['integer', 'distinct', Rule::exists('setups', 'id')->where('fitting_id', $fitting->id)],
                'rounds' => ['required', 'integer', 'between:1,4'], 'shotsEach' => ['required', 'integer', 'between:1,10'],
            ],
            [
                'setupIds.min' => 'A blind trial takes two or three different setups.',
                'setupIds.max' => 'A blind trial takes two or three different setups.',
            ],
        );
        $user = self::user($request);
        $order = BlindOrder::of(array_values(array_map(intval(...), $given['setupIds'])), (int) $given['rounds'], new Randomizer);
        $this->journal->record($fitting, $user, 'began a blind trial of '.count($given['setupIds']).' settings', function () use (
            $fitting, $user, $order, $given, $beginTrial,
        ): void {
            if (Blind::open($fitting) !== null || Confirm::open($fitting) !== null) {
                throw ValidationException::withMessages([
                    'blind' => Blind::open($fitting) !== null
                            ? 'A blind trial is going on: reveal it first.'
                            : 'A confirm run is going on: finish it or end it first.',
                ]);
            }
            $blind = Blind::query()->create([
                'studio_id' => $fitting->studio_id, 'fitting_id' => $fitting->id, 'setups' => $order,
                'shots_each' => $given['shotsEach'], 'ordinal' => 0, 'begun_by' => $user->id,
            ]);
            $beginTrial($fitting, $user, $order[0], 'trial', $blind);
        });

        return self::bay($request, $fitting, 201);
    }

    /** The next setting is in the hand. Whoever says from which one (counted from 1) goes on once, however often it is pressed. */
    #[OA\Post(path: '/api/fittings/{fitting}/blind/next', operationId: 'blind.next', summary: 'Goes on to the next setting',
        requestBody: new Takes(['from?' => 'integer']),
        responses: [new Answer('BayView')])]
    public function next(Request $request, Fitting $fitting, BeginTrial $beginTrial): JsonResponse
    {
        $given = $request->validate(['from' => ['sometimes', 'integer']]);
        $user = self::user($request);
        $this->journal->record($fitting, $user, 'went on to the next blind setting', function () use (
            $fitting, $user, $given, $beginTrial,
        ): void {
            $blind = self::openOf($fitting);
            if (isset($given['from']) && (int) $given['from'] !== $blind->ordinal + 1) {
                throw ValidationException::withMessages([
                    'blind' => 'Setting '.($blind->ordinal + 1).' is in the hand already, perhaps from another screen.',
                ]);
            }
            if ($blind->ordinal + 1 >= count($blind->setups)) {
                throw ValidationException::withMessages(['blind' => 'That was the last setting: reveal the blind trial.']);
            }
            $blind->update(['ordinal' => $blind->ordinal + 1]);
            $beginTrial($fitting, $user, $blind->setups[$blind->ordinal], 'trial', $blind);
        });

        return self::bay($request, $fitting);
    }

    /** The fitter has set what is in the hand: from now on nothing tells what it is. */
    #[OA\Post(path: '/api/fittings/{fitting}/blind/set', operationId: 'blind.set', summary: 'The setting is set: it is hidden until the reveal',
        requestBody: new Takes(['ordinal' => 'integer']),
        responses: [new Answer('BayView')])]
    public function set(Request $request, Fitting $fitting): JsonResponse
    {
        $given = $request->validate(['ordinal' => ['required', 'integer']]);
        $this->journal->record($fitting, self::user($request), 'set a blind setting', function () use ($fitting, $given): void {
            $blind = self::openOf($fitting);
            // Pressed again, or for the one before: what is set stays set. No tracked change: taken back, it would tell what is in the hand.
            DB::table('blinds')->where('id', $blind->id)
                ->update(['set_ordinal' => max($blind->set_ordinal, min((int) $given['ordinal'] - 1, $blind->ordinal))]);
        });

        return self::bay($request, $fitting);
    }

    /** Says which setting was which; from now on its shots are judged like any others. */
    #[
        OA\Post(
            path: '/api/fittings/{fitting}/blind/reveal', operationId: 'blind.reveal',
            summary: 'Ends a blind trial and shows what was hit', responses: [new Answer('BayView')],
        ),
    ]
    public function reveal(Request $request, Fitting $fitting, EndTrial $endTrial): JsonResponse
    {
        $this->journal->record($fitting, self::user($request), 'revealed the blind trial', function () use ($fitting, $endTrial): void {
            $blind = self::openOf($fitting);
            $endTrial($fitting);
            $blind->update(['revealed_at' => now()]);
        });

        return self::bay($request, $fitting);
    }

    /** What to do with the wrench now, for the fitter’s eyes only: asked for when the player looks away, part of no other answer. */
    #[
        OA\Get(
            path: '/api/fittings/{fitting}/blind/hand', operationId: 'blind.hand',
            summary: 'What to do with the wrench, for the fitter’s eyes',
            responses: [new Answer('{ tag: string; steps: string[] }')],
        ),
    ]
    public function hand(Request $request, Fitting $fitting): JsonResponse
    {
        $blind = self::openOf($fitting);
        if ($blind->isSet()) {
            throw ValidationException::withMessages(['blind' => 'It is set: what is in the hand is told at the reveal, to all at once.']);
        }
        $setups = Setup::query()->where('fitting_id', $fitting->id)->with(Setup::MADE_OF)->get()->keyBy('id');
        $to = $setups->findOrFail($blind->setups[$blind->ordinal]);
        $before =
            $blind->ordinal > 0
                ? $blind->setups[$blind->ordinal - 1]
                : Trial::query()->where('fitting_id', $fitting->id)->whereNull('blind_id')->orderByDesc('number')->value('setup_id');
        $steps = ChangeOver::between($before === null ? null : $setups->findOrFail($before)->parts(), $to->parts())->steps;

        return response()->json([
            'tag' => $to->tag,
            'steps' => $steps === []
                    ? ['It stays as it is: loosen and tighten the sleeve to the click, so that the player hears the same']
                    : $steps,
        ]);
    }

    private static function openOf(Fitting $fitting): Blind
    {
        return Blind::open($fitting) ?? throw ValidationException::withMessages(['blind' => 'No blind trial is going on.']);
    }

    private static function bay(Request $request, Fitting $fitting, int $status = 200): JsonResponse
    {
        return response()->json((new BayResource($fitting->refresh()))->toArray($request), $status);
    }
}
