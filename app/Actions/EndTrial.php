<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Fitting;
use App\Models\Trial;

/** Ends the trial that runs, if one does: from then on nothing is in the hand. */
final class EndTrial
{
    public function __invoke(Fitting $fitting): void
    {
        foreach (Trial::query()->where('fitting_id', $fitting->id)->whereNull('ended_at')->get() as $trial) {
            $trial->update(['ended_at' => now()]);
        }
        $fitting->update(['running_trial_id' => null]);
    }
}
