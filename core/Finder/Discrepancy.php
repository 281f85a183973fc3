<?php

declare(strict_types=1);

namespace MintCarry\Core\Finder;

use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Errors\ModelFailure;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Impact\PlayerPriors;
use MintCarry\Core\Launch\LaunchShot;

use function array_sum;
use function count;
use function sqrt;

/**
 * By how much a setup's own shots lie elsewhere than the models say, after they learned from them: what is left over
 * of carry, side, apex and descent, and how far the shots scatter by themselves.
 *
 * A model that was shrunk to its priors never quite comes to the shots. What is left over is taken for the setup's
 * own with the weight τ² / (τ² + s²/n), τ being what the models usually miss (`PlayerPriors::MISSED_SD`), wider
 * where the shots show it (a t prior): sixty shots win over any prior (model discrepancy, after Kennedy & O'Hagan
 * 2001, from memory). The spread is the models' for as long as the shots are few (`PlayerPriors::SPREAD_SHOTS`).
 */
final readonly class Discrepancy
{
    /** Field of a shot, and the place of its figure in `FlightTable::FIGURES`. */
    private const FIGURES = [
        'carryM' => 0, 'sideM' => 2, 'apexM' => 3, 'totalSideM' => 4, 'descentDeg' => 5, 'launchDeg' => 6, 'spinRpm' => 7, 'directionDeg' => 8,
    ];

    /**
     * Share of what a shift leaves open that is not in the draws of the belief already (calibrated in `bin/bench
     * advice`).
     */
    private const STAYS_OPEN = 0.6;

    private const MIRRORED = ['sideM', 'totalSideM', 'directionDeg'];

    /**
     * @param  array<string, float>  $shifts  by field, as a right-hander's: to be added to what the models say
     * @param  array<string, float>  $sds  of the shifts, beside what the belief leaves open itself
     * @param  array<string, float>  $spreads  by field: factor of the models' spread
     * @param  array<string, float>  $spreadErrors  of the factors, as a share of them
     */
    private function __construct(public array $shifts, public array $sds, public array $spreads, public array $spreadErrors)
    {
    }

    /**
     * @param  list<array{spec: SetupSpec, shots: list<LaunchShot>, order: float, visit?: int|null}>  $tested  what the belief was formed by
     * @param  BallFlight  $flight  in the air and on the ground that the shots were hit in
     * @return array<string, self> by the letter that a setup is drawn under
     */
    public static function among(Belief $belief, array $tested, BallFlight $flight): array
    {
        $byTag = $out = [];
        foreach ($tested as $t) {
            $byTag[$belief->drawnAs($t['spec'])][] = $t;
        }
        foreach ($byTag as $tag => $trials) {
            try {
                $out[$tag] = self::of($belief, $trials, FlightTable::for($flight->ofBall($trials[0]['spec']->ball)));
            } catch (ModelFailure) {
                continue; // named where the setup itself is drawn
            }
        }

        return $out;
    }

    /**
     * @param  list<array{spec: SetupSpec, shots: list<LaunchShot>, order: float, visit?: int|null}>  $trials  of one setup
     *
     * @throws ModelFailure
     */
    private static function of(Belief $belief, array $trials, FlightTable $table): self
    {
        /** @var array<string, list<float>> $left */
        $left = [];
        /** @var array<string, list<float>> $within */
        $within = [];
        /** @var array<string, float> $modelled */
        $modelled = [];
        foreach ($trials as $t) {
            $at = Belief::apply($belief->rows($t['spec'], $t['order'], $t['visit'] ?? null), $belief->mean);
            $cloud = BallCloud::of($t['spec'], $at, $belief->scatter);
            $means = $cloud->means([array_fill(0, Belief::MEANS, 0.0)], $table)[0];
            $spreads = $cloud->spreads($table);
            foreach (self::FIGURES as $field => $f) {
                $sign = in_array($field, self::MIRRORED, true) ? $belief->own->hand->sign() : 1;
                $values = array_column(array_map(static fn (LaunchShot $s): array => $s->trusted(), $t['shots']), $field);
                $mean = $values === [] ? 0.0 : array_sum($values) / count($values);
                foreach ($values as $v) {
                    $left[$field][] = $sign * $v - $means[$f];
                    $within[$field][] = $v - $mean;
                }
                $modelled[$field] = $spreads[$f];
            }
        }
        $shifts = $sds = $factors = $unsure = [];
        foreach ($left as $field => $values) {
            $n = count($values);
            $squares = array_sum(array_map(static fn (float $v): float => $v * $v, $within[$field]));
            $degrees = max(0, $n - count($trials));
            // A spread of six shots is mostly luck, one of sixty is the setup's own.
            $counted = $degrees * $n / ($n + PlayerPriors::SPREAD_TOLD_BY);
            $own = $degrees === 0 ? 0.0 : $squares / $degrees;
            $spread = sqrt(
                (PlayerPriors::SPREAD_SHOTS * $modelled[$field] ** 2 + $counted * $own) / (PlayerPriors::SPREAD_SHOTS + $counted),
            );
            $factors[$field] = $spread / $modelled[$field];
            $unsure[$field] = $counted / (PlayerPriors::SPREAD_SHOTS + $counted) / sqrt(2 * max(1, $degrees));
            // A few shots cannot tell what the models miss from luck; many can.
            $missed = PlayerPriors::MISSED_SD[$field] ** 2 * (1 + $n / PlayerPriors::MISSED_TOLD_BY);
            $error = $spread ** 2 / $n;
            $mean = array_sum($values) / $n;
            // One that stands out says of itself that the models miss more here.
            $missed *= (PlayerPriors::EFFECT_DOF + $mean ** 2 / ($missed + $error)) / (PlayerPriors::EFFECT_DOF + 1);
            $shifts[$field] = $missed / ($missed + $error) * $mean;
            $sds[$field] = self::STAYS_OPEN * sqrt($missed * $error / ($missed + $error));
        }

        return new self($shifts, $sds, $factors, $unsure);
    }
}
