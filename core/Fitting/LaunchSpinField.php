<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Statistics\Summary;

/** Carry over a grid of launch and spin at one ball speed, for drawing contours. Straight shots; bounds are where drivers are hit. */
final readonly class LaunchSpinField
{
    /**
     * @param  list<float>  $launchDeg
     * @param  list<float>  $spinRpm
     * @param  list<float>  $carryM  row by row: spin outer, launch inner
     */
    private function __construct(public float $ballSpeedMps, public array $launchDeg, public array $spinRpm, public array $carryM)
    {
    }

    /**
     * The field around a player's shots: their mean ball speed, and bounds that leave room on every side. Null without shots.
     *
     * @param  list<ShotSet>  $sets
     */
    public static function around(array $sets, BallFlight $flight): ?self
    {
        $all = static fn (Measure $m): array => array_merge(...array_map(static fn (ShotSet $set): array => $set->values($m), $sets));
        $speed = Summary::of($all(Measure::BallSpeed));
        $launch = $all(Measure::LaunchAngle);
        $spin = $all(Measure::Spin);
        if ($speed === null || $launch === [] || $spin === []) {
            return null;
        }
        $midLaunch = array_sum($launch) / count($launch);
        $midSpin = array_sum($spin) / count($spin);

        return self::of(
            $speed->mean,
            $flight,
            [max(1.0, floor(min(min($launch) - 0.4, $midLaunch - 5))), min(40.0, ceil(max(max($launch) + 0.4, $midLaunch + 5)))],
            [
                max(500.0, 100 * floor(min(min($spin) - 80, $midSpin - 1000) / 100)),
                min(9000.0, 100 * ceil(max(max($spin) + 80, $midSpin + 1000) / 100)),
            ],
        );
    }

    /**
     * @param  array{float, float}  $launch
     * @param  array{float, float}  $spin bounds
     */
    public static function of(
        float $ballSpeedMps, BallFlight $flight, array $launch = [4.0, 22.0], array $spin = [1200.0, 4800.0], int $steps = 19,
    ): self {
        if ($steps < 2) {
            throw InvalidInput::of('steps', 'A field needs at least two steps each way.');
        }
        $at = static fn (array $range, int $i): float => $range[0] + ($range[1] - $range[0]) * $i / ($steps - 1);
        $launches = array_map(static fn (int $i): float => $at($launch, $i), range(0, $steps - 1));
        $spins = array_map(static fn (int $i): float => $at($spin, $i), range(0, $steps - 1));
        $carry = [];
        foreach ($spins as $rpm) {
            foreach ($launches as $deg) {
                $carry[] = $flight->fly(new Launch($ballSpeedMps, $deg, $rpm))->carryM;
            }
        }

        return new self($ballSpeedMps, $launches, $spins, $carry);
    }
}
