<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use MintCarry\Core\Errors\ModelFailure;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Launch\Measure;

use function array_map;
use function max;
use function min;
use function round;

/** The flight of the mean ball of a setup, as it is drawn from the side and from above. */
final class MeanFlight
{
    private const POINTS = 36;

    /**
     * @return array{points: list<array{float, float, float}>, carryM: float, apexM: float}|null the path: along, height, right, m; null
     *   where nobody saw how the ball started, or the mean ball does not fly
     */
    public static function of(ShotSet $set, BallFlight $flight): ?array
    {
        $mean = static fn (Measure $m): ?float => $set->summary($m)?->mean;
        [$speed, $launch, $spin] = [$mean(Measure::BallSpeed), $mean(Measure::LaunchAngle), $mean(Measure::Spin)];
        if ($speed === null || $launch === null || $spin === null) {
            return null;
        }
        $axis = max(-80.0, min(80.0, $mean(Measure::SpinAxis) ?? 0.0));
        try {
            $flown = $flight->fly(new Launch($speed, $launch, $spin, $mean(Measure::Direction) ?? 0.0, $axis), self::POINTS);
        } catch (ModelFailure) {
            return null;
        }

        return [
            'points' => array_map(static fn (array $p): array => [round($p[1], 2), round($p[3], 2), round($p[2], 2)], $flown->points),
            'carryM' => $flown->carryM, 'apexM' => $flown->apexM,
        ];
    }
}
