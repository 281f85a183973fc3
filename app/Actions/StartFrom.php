<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Fitting;
use App\Models\Setup;
use Illuminate\Validation\ValidationException;

/**
 * Begins a fitting of a player who came back where an earlier one ended: with its brief, as it was typed, and with the club that the
 * player took home as the own club. Shots stay with the fitting that they were hit in.
 */
final readonly class StartFrom
{
    /** Of that fitting alone. */
    private const ITS_OWN = [
        'fitting_id', 'tag', 'position', 'is_baseline', 'branched_from_id', 'shelf', 'shelf_reason', 'starred', 'note', 'cue',
    ];

    /**
     * @param  int|null  $setupId  of the earlier fitting; null: no club is taken over
     *
     * @throws ValidationException where the earlier fitting is of another player, or the setup of another fitting
     */
    public function __invoke(Fitting $new, Fitting $earlier, ?int $setupId): void
    {
        if ($earlier->player_id !== $new->player_id) {
            throw ValidationException::withMessages(['fromFittingId' => 'That fitting is of another player. Nothing was begun.']);
        }
        $new->setBrief($earlier->brief());
        $new->fill(['typed' => $earlier->typed])->save();
        if ($setupId === null) {
            return;
        }
        $club = Setup::query()->where('fitting_id', $earlier->id)->find($setupId)
            ?? throw ValidationException::withMessages(['setupId' => 'That club is not in the earlier fitting. Nothing was begun.']);
        $own = $club->replicate(self::ITS_OWN);
        $own->fill([
            'fitting_id' => $new->id, 'tag' => 'A', 'position' => 1, 'is_baseline' => true, 'note' => '', 'cue' => '', 'shelf_reason' => '',
        ])->save();
        $new->update(['benchmark_setup_id' => $own->id]);
    }
}
