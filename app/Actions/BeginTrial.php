<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Bay;
use App\Models\Blind;
use App\Models\Confirm;
use App\Models\Fitting;
use App\Models\Setup;
use App\Models\Trial;
use App\Models\User;
use App\Models\Visit;
use App\Support\Transaction;
use MintCarry\Core\Air\OpenAir;

/** Begins a trial and ends the one that runs. It belongs to a visit and keeps the air, wind, ground, ball and monitor it is hit with. */
final readonly class BeginTrial
{
    public function __construct(private EndTrial $end)
    {
    }

    public function __invoke(
        Fitting $fitting, User $user, int $setupId, string $kind, ?Blind $blind = null, ?Confirm $confirm = null,
    ): Trial {
        return Transaction::run(function () use ($fitting, $user, $setupId, $kind, $blind, $confirm): Trial {
            $now = Fitting::query()->lockForUpdate()->findOrFail($fitting->id);
            $visit = Visit::now($now, $user);
            ($this->end)($now);
            $brief = $now->brief();
            $bay = Bay::query()->where('fitting_id', $now->id)->first();
            $trial = Trial::query()->create([
                'studio_id' => $now->studio_id, 'fitting_id' => $now->id, 'setup_id' => $setupId, 'visit_id' => $visit->id,
                'blind_id' => $blind?->id, 'confirm_id' => $confirm?->id,
                'number' => (int) Trial::query()->where('fitting_id', $now->id)->max('number') + 1, 'kind' => $kind,
                'begun_by' => $user->id,
                // Shots are hit in a bay, without wind, unless somebody typed another on this visit.
                'conditions' => self::openAir($visit) + [
                    'temperatureC' => $brief->temperatureC, 'altitudeM' => $brief->altitudeM, 'windMps' => 0,
                    'turf' => $brief->turf, 'ball' => Setup::query()->whereKey($setupId)->firstOrFail()->ball,
                    'monitor' => $bay->name ?? '',
                ],
            ]);
            $now->update(['running_trial_id' => $trial->id]);

            return $trial;
        });
    }

    /** @return array<string, mixed> wind and air of the trial before on this visit, where it was hit outdoors */
    private static function openAir(Visit $visit): array
    {
        $last = Trial::query()->where('visit_id', $visit->id)->orderByDesc('number')->first()->conditions ?? [];

        return OpenAir::of($last) === null ? [] : array_intersect_key($last, ['outdoors' => true] + OpenAir::NUMBERS);
    }
}
