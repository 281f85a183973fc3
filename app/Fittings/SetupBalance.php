<?php

declare(strict_types=1);

namespace App\Fittings;

use App\Models\Part;
use App\Models\Setup;
use Illuminate\Validation\ValidationException;
use MintCarry\Core\Club\LengthBalance;
use MintCarry\Core\Club\SwingWeight;

/**
 * A setup's parts as the balance takes them: what is known of head, shaft and grip, and how far a swing weight that was read lies from
 * theirs.
 */
final class SetupBalance
{
    /**
     * @return array{was: array{swingWeightPoints: float, totalG: float}, free: array{swingWeightPoints: float, totalG: float},
     *   solutions: list<LengthBalance>}
     *
     * @throws ValidationException where the parts are not known
     */
    public static function of(Setup $setup, float $toLengthMm, ?float $points, ?float $totalG): array
    {
        $body = $setup->body();
        $missing = array_keys(array_filter([
            'its head on the rack' => $body === null, 'its length' => $setup->length_mm === null,
            'its shaft, with a mass, from the rack' => $setup->shaft_id === null
                || ($setup->shaftPart?->number('cutMassG') ?? $setup->shaftPart?->number('rawMassG')) === null,
        ]));
        if ($body === null || $setup->length_mm === null || $missing !== []) {
            throw ValidationException::withMessages(['setup' => 'Length and balance cannot be worked out: '.implode(' and ',
                $missing)." of {$setup->tag} must be known."]);
        }
        $grip = ($setup->grip_id === null ? null : $setup->gripPart?->number('massG')) ?? Setup::USUAL_GRIP_G;
        $shaft = Part::shaftInClub($setup->shaftPart, $setup->length_mm);
        // What was read on the balance holds: what the parts miss of it (glue, tape) is taken to sit at the head.
        $read = $setup->swing_weight_points;
        $more = $read === null ? 0.0 : ($read - SwingWeight::with($body->massG, $setup->length_mm, $shaft,
            $grip)->points()) / SwingWeight::pointsPerHeadG($setup->length_mm);

        return LengthBalance::solve($body->massG + max(-15.0, min(15.0, $more)), $shaft, $grip, $setup->length_mm, $toLengthMm, $points,
            $totalG);
    }
}
