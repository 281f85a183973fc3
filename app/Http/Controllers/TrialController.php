<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\BeginTrial;
use App\Actions\EndTrial;
use App\Actions\TurnSetup;
use App\Contract\Answer;
use App\Contract\Takes;
use App\Http\Controllers\Concerns\KeepsNote;
use App\Http\Controllers\Concerns\NamesUser;
use App\Http\Resources\BayResource;
use App\Journal\Journal;
use App\Models\Blind;
use App\Models\Fitting;
use App\Models\Rating;
use App\Models\Setup;
use App\Models\Trial;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Arr;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use MintCarry\Core\Air\OpenAir;
use MintCarry\Core\Errors\InvalidInput;
use OpenApi\Attributes as OA;

/** Trials: a set of shots hit with one setup, in one go. */
final class TrialController
{
    use KeepsNote, NamesUser;

    public function __construct(private readonly Journal $journal)
    {
    }

    /**
     * Begins a trial with a setup, or warm-up shots that are kept apart. The trial before it ends. A setup that is turned or weighted
     * otherwise is made as its trial begins, unless the fitting has it already.
     */
    #[OA\Post(path: '/api/fittings/{fitting}/trials', operationId: 'trial.store', summary: 'Begins a trial with a setup',
        requestBody: new Takes([
            'setupId?' => 'integer', 'kind?' => "'trial' | 'warm-up'",
            'turned?' => '{ setupId: integer; sleeve: string; masses: Record<string, number> }',
        ]),
        responses: [new Answer('BayView', 201)])]
    public function store(Request $request, Fitting $fitting, BeginTrial $beginTrial, TurnSetup $turn): JsonResponse
    {
        $given = $request->validate([
            'setupId' => ['required_without:turned', 'integer', $there = Rule::exists('setups', 'id')->where('fitting_id', $fitting->id)],
            'turned' => ['sometimes', 'array:setupId,sleeve,masses'], 'turned.setupId' => ['required_with:turned', 'integer', $there],
            'kind' => ['sometimes', Rule::in(Trial::KINDS)],
        ] + Arr::prependKeysWith(HandController::TURNED, 'turned.'));
        $user = self::user($request);
        $this->journal->record(
            $fitting, $user,
            fn (Trial $t): string => ($t->kind === 'warm-up' ? 'began warm-up shots with ' : "began trial {$t->number} with ").
                $t->setup->tag,
            function () use ($fitting, $user, $given, $beginTrial, $turn): Trial {
                if (Blind::open($fitting) !== null) {
                    throw ValidationException::withMessages([
                        'setupId' => 'A blind trial is going on: go on to its next setting, or reveal it first.',
                    ]);
                }

                $id = (int) ($given['setupId'] ?? 0);
                if (isset($given['turned'])) {
                    $from = Setup::query()->findOrFail((int) $given['turned']['setupId']);
                    $id = $turn(
                        $fitting, $from, (string) ($given['turned']['sleeve'] ?? $from->sleeve_label),
                        array_map(floatval(...), $given['turned']['masses'] ?? []),
                    )->id;
                }

                return $beginTrial($fitting, $user, $id, $given['kind'] ?? 'trial');
            });

        return response()->json((new BayResource($fitting->refresh()))->toArray($request), 201);
    }

    #[OA\Post(path: '/api/fittings/{fitting}/trials/end', operationId: 'trial.end', summary: 'Ends the running trial',
        responses: [new Answer('BayView')])]
    public function end(Request $request, Fitting $fitting, EndTrial $endTrial): JsonResponse
    {
        $this->journal->record($fitting, self::user($request), 'ended the trial', fn () => $endTrial($fitting));

        return response()->json((new BayResource($fitting))->toArray($request));
    }

    /** A note on a trial, or no ratings for it. A note that somebody else changed meanwhile is not overwritten. */
    #[OA\Patch(path: '/api/trials/{trial}', operationId: 'trial.update', summary: 'A note on a trial, or no rating of it',
        requestBody: new Takes(['note?' => 'string | null', 'was?' => 'string | null', 'ratingSkipped?' => 'boolean']),
        responses: [new Answer('BayView')])]
    public function update(Request $request, Trial $trial): JsonResponse
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
        $this->journal->record(
            $fitting, self::user($request), $words,
            fn () => $trial->update(
                array_filter(['note' => $note, 'rating_skipped' => $given['ratingSkipped'] ?? null], fn (mixed $v): bool => $v !== null),
            ),
        );

        return response()->json((new BayResource($fitting))->toArray($request));
    }

    /**
     * The wind and the air that a trial, or all trials of its visit, were hit in; null: in a bay. The next trial of the visit is
     * hit in the same.
     */
    #[OA\Put(path: '/api/trials/{trial}/open-air', operationId: 'trial.openAir', summary: 'Wind and air of a trial outdoors',
        requestBody: new Takes(['openAir' => 'TypedOpenAir | null', 'wholeVisit?' => 'boolean']),
        responses: [new Answer('BayView')])]
    public function openAir(Request $request, Trial $trial): JsonResponse
    {
        $rules = [
            'openAir' => ['present', 'nullable', 'array:'.implode(',', array_keys(OpenAir::NUMBERS))],
            'wholeVisit' => ['sometimes', 'boolean'],
        ];
        foreach (OpenAir::NUMBERS as $name => [$low, $high]) {
            $rules["openAir.{$name}"] = ['sometimes', 'nullable', 'numeric', "between:{$low},{$high}"];
        }
        $given = $request->validate($rules, attributes: [
            'openAir.windMps' => 'wind', 'openAir.windFromDeg' => 'wind from', 'openAir.temperatureC' => 'temperature',
            'openAir.altitudeM' => 'altitude',
        ]);
        $fitting = Fitting::query()->findOrFail($trial->fitting_id);
        $brief = $fitting->brief();
        $typed = array_filter($given['openAir'] ?? [], static fn (mixed $v): bool => $v !== null);
        if ((float) ($typed['windMps'] ?? 0) > 0 && ! isset($typed['windFromDeg'])) {
            throw InvalidInput::of('openAir.windFromDeg', 'Type where the wind comes from. Nothing was saved; what you typed is still on this screen.');
        }
        // What nobody typed is as the brief says it.
        $typed = ($given['openAir'] ?? null) === null ? null
            : $typed + ['windMps' => 0.0, 'windFromDeg' => 0.0, 'temperatureC' => $brief->temperatureC, 'altitudeM' => $brief->altitudeM];
        $whole = (bool) ($given['wholeVisit'] ?? false) && $trial->visit_id !== null;
        $where = $whole ? 'all trials of visit '.($trial->visit->number ?? 1) : "trial {$trial->number}";
        $words = $typed === null ? "took wind and air off {$where}"
            : sprintf(
                'typed wind and air of %s: %.1f m/s from %.0f°, %.0f °C, %.0f m', $where,
                ...array_values(array_merge(OpenAir::NUMBERS, $typed)),
            );
        $this->journal->record($fitting, self::user($request), $words, function () use ($trial, $typed, $whole, $brief): void {
            $now = $typed === null
                ? [
                    'outdoors' => false, 'windMps' => 0, 'windFromDeg' => 0, 'temperatureC' => $brief->temperatureC,
                    'altitudeM' => $brief->altitudeM,
                ]
                : ['outdoors' => true] + array_map(floatval(...), $typed);
            $trials = $whole ? Trial::query()->where('visit_id', $trial->visit_id)->orderBy('number')->get() : [$trial];
            foreach ($trials as $one) {
                $one->update(['conditions' => $now + $one->conditions]);
            }
        });

        return response()->json((new BayResource($fitting))->toArray($request));
    }

    /** Which of the blind settings the player thinks it was; null: cannot say. It is kept to itself until the reveal. */
    #[OA\Post(path: '/api/trials/{trial}/guess', operationId: 'trial.guess', summary: 'Which blind setting the player thinks it was',
        requestBody: new Takes(['setupId' => 'integer | null']),
        responses: [new Answer('BayView')])]
    public function guess(Request $request, Trial $trial): JsonResponse
    {
        $fitting = Fitting::query()->findOrFail($trial->fitting_id);
        $blind = Blind::open($fitting);
        if ($blind === null || $trial->blind_id !== $blind->id) {
            throw ValidationException::withMessages(['setupId' => 'This trial is no setting of a blind trial that goes on.']);
        }
        $given = $request->validate(['setupId' => ['present', 'nullable', 'integer', Rule::in($blind->setups)]]);
        $this->journal->record(
            $fitting, self::user($request), 'noted what the player thinks it was',
            fn () => $trial->update(['guess_setup_id' => $given['setupId'], 'guess_asked' => true]),
        );

        return response()->json((new BayResource($fitting))->toArray($request));
    }

    /** What the player says of the setup in the hand, 1 to 5, before seeing its numbers. */
    #[OA\Post(path: '/api/trials/{trial}/ratings', operationId: 'trial.rate', summary: 'What the player says of a setup',
        requestBody: new Takes(['kind' => "'looks' | 'feel' | 'sound' | 'confidence'", 'stars' => 'integer']),
        responses: [new Answer('BayView')])]
    public function rate(Request $request, Trial $trial): JsonResponse
    {
        $given = $request->validate(['kind' => ['required', Rule::in(Rating::KINDS)], 'stars' => ['required', 'integer', 'between:1,5']]);
        $user = self::user($request);
        $fitting = Fitting::query()->findOrFail($trial->fitting_id);
        $this->journal->record(
            $fitting, $user, "rated {$given['kind']} {$given['stars']} in trial {$trial->number}",
            fn () => Rating::query()->updateOrCreate(
                ['trial_id' => $trial->id, 'kind' => $given['kind']],
                [
                    'studio_id' => $trial->studio_id, 'fitting_id' => $trial->fitting_id, 'setup_id' => $trial->setup_id,
                    'stars' => $given['stars'], 'rated_by' => $user->id,
                ],
            ),
        );

        return response()->json((new BayResource($fitting))->toArray($request));
    }
}
