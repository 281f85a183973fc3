<?php

declare(strict_types=1);

namespace MintCarry\Core\Launch;

use MintCarry\Core\Air\Atmosphere;
use MintCarry\Core\Flight\Aerodynamics;
use MintCarry\Core\Flight\BallFactors;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\Calibration;
use MintCarry\Core\Flight\Flight;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Statistics\Matrix;

use function array_column;
use function array_filter;
use function array_merge;
use function array_slice;
use function array_sum;
use function array_values;
use function count;
use function sqrt;
use function usort;

/**
 * What the shots of a fitting say of the makes of ball that were hit on one visit before one monitor: each ball's drag and lift beside
 * what the visit's own calibration says of all of them. One ball alone tells nothing of itself: the monitor may be what is off.
 */
final readonly class BallsCompared
{
    /** So many measured carries of a ball on a visit say something of it. */
    public const LEAST_CARRIES = 6;

    private const STEP = 0.005;

    private const ROUNDS = 4;

    /** @param  array<int, array<int, float>>  $covariance  of the shares by which drag and lift lie off what the rack says of the ball */
    private function __construct(public string $ball, public int $n, public BallFactors $factors, public array $covariance)
    {
    }

    /**
     * @param  list<array{law: Aerodynamics, shots: list<array{Launch, ?float, ?float, Atmosphere, BallFactors, string}>}>  $visits
     *   launch, carry m, apex m, air, what is known of the ball, its name
     * @return array<string, self> by ball; empty where no visit saw two
     */
    public static function among(array $visits): array
    {
        $told = $known = $out = [];
        foreach ($visits as ['law' => $law, 'shots' => $shots]) {
            $byBall = [];
            foreach ($shots as $shot) {
                $byBall[$shot[5]][] = [...array_slice($shot, 0, 4), $law];
                $known[$shot[5]] = $shot[4];
            }
            $enough = array_filter(
                $byBall, static fn (array $its): bool => count(array_filter(array_column($its, 1))) >= self::LEAST_CARRIES,
            );
            foreach (count($enough) < 2 ? [] : $enough as $ball => $its) {
                $told[$ball] = array_merge($told[$ball] ?? [], $its);
            }
        }
        foreach ($told as $ball => $its) {
            $out[(string) $ball] = self::of((string) $ball, $its, $known[$ball]);
        }

        return $out;
    }

    /**
     * Each ball beside the one that most was hit with, from the mean launch of all.
     *
     * @param  array<string, self>  $balls
     * @param  list<Launch>  $launches  that they were hit with
     * @return list<array{ball: string, than: string, n: int, nThan: int, dragShare: float, liftShare: float, carryM: float, carrySdM: float}>
     */
    public static function told(array $balls, array $launches, BallFlight $flight): array
    {
        if (count($balls) < 2) {
            return [];
        }
        $all = array_values($balls);
        usort($all, static fn (self $a, self $b): int => [$b->n, $a->ball] <=> [$a->n, $b->ball]);
        $mean = static fn (string $of): float => array_sum(array_column($launches, $of)) / count($launches);
        $launch = new Launch($mean('ballSpeedMps'), $mean('launchDeg'), $mean('spinRpm'));
        $carry = static fn (BallFactors $ball): float => $flight->calibrated($flight->aerodynamics->ofBall($ball))->fly($launch)->carryM;
        $out = [];
        foreach (array_slice($all, 1) as $other) {
            $variance = 0.0;
            foreach ([$all[0], $other] as $ball) {
                $now = $carry($ball->factors);
                $slopes = [
                    ($carry($ball->factors->times(1 + self::STEP, 1)) - $now) / self::STEP,
                    ($carry($ball->factors->times(1, 1 + self::STEP)) - $now) / self::STEP,
                ];
                foreach ($slopes as $i => $a) {
                    foreach ($slopes as $j => $b) {
                        $variance += $a * $b * $ball->covariance[$i][$j];
                    }
                }
            }
            $out[] = [
                'ball' => $other->ball, 'than' => $all[0]->ball, 'n' => $other->n, 'nThan' => $all[0]->n,
                'dragShare' => $other->factors->drag / $all[0]->factors->drag - 1,
                'liftShare' => $other->factors->lift / $all[0]->factors->lift - 1,
                'carryM' => $carry($other->factors) - $carry($all[0]->factors), 'carrySdM' => sqrt($variance),
            ];
        }

        return $out;
    }

    /**
     * Gauss–Newton on the two shares, drawn to nothing by the widths of a ball (`Aerodynamics::WAYS`).
     *
     * @param  list<array{Launch, ?float, ?float, Atmosphere, Aerodynamics}>  $shots
     */
    private static function of(string $ball, array $shots, BallFactors $known): self
    {
        $x = [0.0, 0.0];
        $factors = $known;
        $covariance = [];
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $a = [[1 / Aerodynamics::BALL_SHARES[0] ** 2, 0.0], [0.0, 1 / Aerodynamics::BALL_SHARES[1] ** 2]];
            $b = [-$x[0] * $a[0][0], -$x[1] * $a[1][1]];
            foreach ($shots as [$launch, $carry, $apex, $air, $law]) {
                [$now, $draggier, $livelier] = array_map(
                    static fn (BallFactors $f): Flight => (new BallFlight($air, aerodynamics: $law->ofBall($f)))->fly($launch),
                    [$factors, $factors->times(1 + self::STEP, 1), $factors->times(1, 1 + self::STEP)],
                );
                foreach (['carryM' => $carry, 'apexM' => $apex] as $of => $seen) {
                    if ($seen === null) {
                        continue;
                    }
                    [$miss, $weight] = Calibration::weigh($now->{$of} - $seen, isCarry: $of === 'carryM');
                    $j = [($draggier->{$of} - $now->{$of}) / self::STEP, ($livelier->{$of} - $now->{$of}) / self::STEP];
                    foreach ($j as $p => $jp) {
                        $b[$p] -= $weight * $jp * $miss;
                        foreach ($j as $q => $jq) {
                            $a[$p][$q] += $weight * $jp * $jq;
                        }
                    }
                }
            }
            $covariance = Matrix::inverse($a);
            foreach (Matrix::times($covariance, $b) as $p => $step) {
                $x[$p] += $step;
            }
            $factors = $known->times(1 + $x[0], 1 + $x[1]);
        }

        return new self($ball, count(array_filter(array_column($shots, 1))), $factors, $covariance);
    }
}
