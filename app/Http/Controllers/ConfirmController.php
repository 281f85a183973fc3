<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\BeginTrial;
use App\Actions\EndTrial;
use App\Contract\Answer;
use App\Contract\Takes;
use App\Fittings\ConfirmState;
use App\Fittings\FittingLoader;
use App\Http\Controllers\Concerns\NamesUser;
use App\Journal\Journal;
use App\Models\Blind;
use App\Models\Confirm;
use App\Models\Fitting;
use App\Models\Setup;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use MintCarry\Core\Judging\Confirm as ConfirmRule;
use OpenApi\Attributes as OA;

/** A confirm run: benchmark, choice, benchmark, after a pause. Each leg is a trial and is hit in the bay. */
final class ConfirmController
{
    use NamesUser;

    public function __construct(private readonly Journal $journal)
    {
    }

    /** The run is planned; its first leg begins in the bay, when the wrench is away. */
    #[OA\Post(path: '/api/fittings/{fitting}/confirm', operationId: 'confirm.begin', summary: 'Begins a confirm run',
        requestBody: new Takes(['setupId' => 'integer', 'shotsEach?' => 'integer', 'rested?' => 'boolean']),
        responses: [new Answer('ConfirmRun', 201)])]
    public function begin(Request $request, Fitting $fitting, EndTrial $endTrial): JsonResponse
    {
        $given = $request->validate([
            'setupId' => ['required', 'integer', Rule::exists('setups', 'id')->where('fitting_id', $fitting->id)],
            'shotsEach' => ['sometimes', 'integer', 'between:3,10'], 'rested' => ['sometimes', 'boolean'],
        ]);
        $judged = new FittingLoader($fitting);
        $benchmark = $fitting->benchmark_setup_id;
        if ($benchmark === null || $benchmark === (int) $given['setupId']) {
            throw ValidationException::withMessages([
                'setupId' => 'A confirm run holds a setup against the benchmark: choose another than the benchmark itself.',
            ]);
        }
        foreach ([$benchmark, (int) $given['setupId']] as $id) {
            if (! isset($judged->sets[$id])) {
                throw ValidationException::withMessages([
                    'setupId' => 'Setup '.($judged->setups[$id]->tag ?? '?').' has no counted shot yet: there is nothing to confirm.',
                ]);
            }
        }
        self::requireNoneOpen($fitting);
        $until = ConfirmState::restsUntil($judged);
        $rested = (bool) ($given['rested'] ?? false);
        if ($until !== null && ! $rested) {
            throw ValidationException::withMessages([
                'rested' => sprintf(
                    'The player hit less than %d minutes ago: pause until then, or say that they rested. The pause belongs '
                        .'to the rule, and what is said here is kept with the run.',
                    ConfirmRule::PAUSE_MINUTES,
                ),
            ]);
        }
        $user = self::user($request);
        $this->journal->record(
            $fitting, $user, 'began a confirm run of '.Setup::query()->whereKey($given['setupId'])->value('tag'),
            function () use ($fitting, $user, $given, $benchmark, $endTrial, $until): void {
                self::requireNoneOpen($fitting);
                $endTrial($fitting);
                Confirm::query()->create([
                    'studio_id' => $fitting->studio_id, 'fitting_id' => $fitting->id, 'benchmark_setup_id' => $benchmark,
                    'setup_id' => (int) $given['setupId'], 'shots_each' => (int) ($given['shotsEach'] ?? 5),
                    'rested' => $until !== null, 'begun_by' => $user->id,
                ]);
            },
        );

        return self::state($fitting, 201);
    }

    /** The next leg is in the hand; after the last the run is done. */
    #[OA\Post(path: '/api/fittings/{fitting}/confirm/next', operationId: 'confirm.next', summary: 'Goes on to the next leg',
        responses: [new Answer('ConfirmRun')])]
    public function next(Request $request, Fitting $fitting, BeginTrial $beginTrial, EndTrial $endTrial): JsonResponse
    {
        $user = self::user($request);
        $this->journal->record(
            $fitting, $user,
            fn (int $leg): string => $leg < ConfirmRule::LEGS
                ? 'went on to leg '.($leg + 1).' of the confirm run'
                : 'finished the confirm run',
            function () use ($fitting, $user, $beginTrial, $endTrial): int {
                $confirm = self::openOf($fitting);
                $sets = ConfirmState::legs($confirm, new FittingLoader($fitting->refresh()));
                $leg = count($sets);
                $short = $leg === 0 ? 0 : $confirm->shots_each - $sets[$leg - 1]->count(); // of the leg that is being hit
                if ($short > 0) {
                    throw ValidationException::withMessages([
                        'confirm' => "This leg still needs {$short} counted ".($short === 1 ? 'shot' : 'shots').'.',
                    ]);
                }
                if ($leg < ConfirmRule::LEGS) {
                    $beginTrial($fitting, $user, $confirm->setupOfLeg($leg), 'trial', null, $confirm);
                } else {
                    $endTrial($fitting);
                    $confirm->update(['ended_at' => now()]);
                }

                return $leg;
            });

        return self::state($fitting);
    }

    /** Ends a run before its last leg; its shots stay and count. */
    #[OA\Post(path: '/api/fittings/{fitting}/confirm/end', operationId: 'confirm.end', summary: 'Ends a confirm run',
        responses: [new Answer('ConfirmRun')])]
    public function end(Request $request, Fitting $fitting, EndTrial $endTrial): JsonResponse
    {
        $this->journal->record($fitting, self::user($request), 'ended the confirm run', function () use ($fitting, $endTrial): void {
            $confirm = self::openOf($fitting);
            $endTrial($fitting);
            $confirm->update(['ended_at' => now()]);
        });

        return self::state($fitting);
    }

    private static function requireNoneOpen(Fitting $fitting): void
    {
        if (Confirm::open($fitting) !== null || Blind::open($fitting) !== null) {
            throw ValidationException::withMessages([
                'setupId' => Confirm::open($fitting) !== null
                        ? 'A confirm run is going on: finish it or end it first.'
                        : 'A blind trial is going on: reveal it first.',
            ]);
        }
    }

    private static function openOf(Fitting $fitting): Confirm
    {
        return Confirm::open($fitting) ?? throw ValidationException::withMessages(['confirm' => 'No confirm run is going on.']);
    }

    private static function state(Fitting $fitting, int $status = 200): JsonResponse
    {
        return response()->json(ConfirmState::of(new FittingLoader($fitting->refresh())), $status);
    }
}
