<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use MintCarry\Core\Club\Head;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Impact\Delivery;
use MintCarry\Core\Impact\Impact;
use MintCarry\Core\Impact\PlayerPriors;

/**
 * What a setup's launch and spin cost against the best this player could have by delivering another loft with the same swing.
 *
 * Launch and spin are not free of one another: more loft brings both, and takes ball speed. So the search runs over delivered loft
 * through the impact model, and only the model's *differences* are added to what was measured (docs/physics.md, "Rules of use").
 */
final readonly class LoftTrade
{
    private const REACH_DEG = 6.0;

    private const STEP_DEG = 0.5;

    private function __construct(
        /** Metres of carry (or total) given up against the best delivered loft. */
        public float $costM,
        /** Change of delivered loft that would be longest, degrees. */
        public float $loftChangeDeg,
        public float $bestLaunchDeg,
        public float $bestSpinRpm,
        /** @var array{float, float} changes of delivered loft that stay within 1 % of the best */
        public array $withinOnePercentDeg,
        public bool $attackAssumed,
    ) {
    }

    /** @param  string  $for carry or total */
    public static function of(
        Launch $mean, BallFlight $flight, ?float $clubSpeedMps = null, ?float $attackDeg = null, string $for = 'carry',
    ): self {
        $attack = $attackDeg ?? 0.0;
        $impact = new Impact(Head::preset('middle'));
        $loft = max(3.0, min(28.0, ($mean->launchDeg - 0.12 * $attack) / 0.88));
        $speed = $clubSpeedMps ?? $mean->ballSpeedMps / PlayerPriors::SMASH_OF_MEAN;
        $base = $impact->strike(new Delivery($speed, $attack, 0, $loft, 0));
        $reach = static function (float $change) use ($impact, $speed, $attack, $loft, $base, $mean, $flight, $for): array {
            $moved = $impact->strike(new Delivery($speed, $attack, 0, $loft + $change, 0));
            try {
                $launch = new Launch(
                    $mean->ballSpeedMps + $moved->ballSpeedMps - $base->ballSpeedMps,
                    max(0.6, $mean->launchDeg + $moved->launchDeg - $base->launchDeg),
                    max(300.0, $mean->spinRpm + $moved->backspinRpm() - $base->backspinRpm()),
                );
                $flown = $flight->fly($launch);
            } catch (InvalidInput) {
                return [0.0, 0.0, 0.0];
            }

            return [$for === 'total' ? $flown->totalM : $flown->carryM, $launch->launchDeg, $launch->spinRpm];
        };
        [$now] = $reach(0.0);
        $grid = [];
        for ($change = -self::REACH_DEG; $change <= self::REACH_DEG; $change += self::STEP_DEG) {
            $grid[] = [$change, ...$reach($change)];
        }
        usort($grid, static fn (array $a, array $b): int => $b[1] <=> $a[1]);
        [$bestChange, $bestM, $bestLaunch, $bestSpin] = $grid[0];
        $near = array_column(array_filter($grid, static fn (array $g): bool => $g[1] >= 0.99 * $bestM), 0);

        return new self(
            max(0.0, $bestM - $now), $bestChange, $bestLaunch, $bestSpin,
            [$near === [] ? $bestChange : min($near), $near === [] ? $bestChange : max($near)], $attackDeg === null,
        );
    }
}
