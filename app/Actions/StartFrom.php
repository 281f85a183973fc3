<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Fitting;
use App\Models\Order;
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

    /** The club that was delivered on that setup, where one was taken: what they have now is what was built, not what was ordered. */
    private function asBuilt(Setup $own, Setup $club): void
    {
        $order = Order::query()->where('setup_id', $club->id)->whereIn('state', ['checked', 'handed over'])->with('acceptances', 'builtHead')
            ->latest('id')->first();
        $taken = $order?->taken();
        if ($order === null || $taken === null) {
            return;
        }
        $built = static fn (string $name): ?float => isset($taken->figures[$name]) ? (float) $taken->figures[$name] : null;
        $own->fill(array_filter([
            'head_id' => $order->built_head_id, 'head' => $order->builtHead?->label,
            'measured_loft_deg' => $built('loftDeg'), 'measured_lie_deg' => $built('lieDeg'),
            'measured_face_open_deg' => $built('faceOpenDeg'),
            'length_mm' => $built('lengthMm'), 'swing_weight_points' => $built('swingWeightPoints'),
            'swing_weight_source' => $built('swingWeightPoints') === null ? null : $taken->source,
        ], static fn (mixed $v): bool => $v !== null));
        // Of a head that is only described, loft, lie and face are what it presents: its sleeve is in them.
        if ($order->built_head_id === null && $built('loftDeg') !== null) {
            $own->fill(['sleeve_loft_deg' => null, 'sleeve_face_open_deg' => null, 'sleeve_lie_deg' => null]);
        }
        $own->save();
    }

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
        $this->asBuilt($own, $club);
        $new->update(['benchmark_setup_id' => $own->id]);
    }
}
