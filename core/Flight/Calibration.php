<?php

declare(strict_types=1);

namespace MintCarry\Core\Flight;

use MintCarry\Core\Air\Atmosphere;
use MintCarry\Core\Errors\InvalidInput;

/**
 * Makes the flight model agree with one bay's monitor: from shots that carry launch data and a measured carry or apex, the
 * offsets of the drag and lift constants, shrunk toward 0 (prior SD 0.012 and 0.02; a carry counts with SD 3 m, an apex with 2 m:
 * assumptions). Gauss–Newton.
 */
final readonly class Calibration
{
    private const PRIOR_SD = [0.012, 0.02];

    private const CARRY_SD_M = 3.0;

    private const APEX_SD_M = 2.0;

    private const STEP = 0.002;

    /** @param  array{float, float}  $sd of drag and lift offset */
    private function __construct(
        public float $dragOffset,
        public float $liftOffset,
        public array $sd,
        /** Root mean square misfit of the measured carries (apexes where no carry was measured), m. */
        public float $residualBeforeM,
        public float $residualAfterM,
        public int $n,
    ) {
    }

    /**
     * @param  list<array{Launch, ?float, ?float}>  $shots  launch, measured carry m, measured apex m
     *
     * @throws InvalidInput where nothing was measured, or a carry (1 … 450 m) or apex (0 … 110 m) cannot be
     */
    public static function fit(array $shots, Atmosphere $air = new Atmosphere): self
    {
        $used = array_values(array_filter($shots, static fn (array $s): bool => $s[1] !== null || $s[2] !== null));
        if ($used === []) {
            throw InvalidInput::of('shots', 'No shot carries a measured carry or apex: there is nothing to calibrate by.');
        }
        foreach ($used as [, $carry, $apex]) {
            if ($carry !== null) {
                InvalidInput::requireWithin('carryM', $carry, 1, 450, 'm');
            }
            if ($apex !== null) {
                InvalidInput::requireWithin('apexM', $apex, 0, 110, 'm');
            }
        }
        $x = [0.0, 0.0];
        $inverse = [[0.0, 0.0], [0.0, 0.0]];
        $before = null;
        for ($round = 0; $round < 8; $round++) {
            $now = self::misses($used, $air, $x);
            $before ??= self::rms($now);
            $slope = [self::misses($used, $air, [$x[0] + self::STEP, $x[1]]), self::misses($used, $air, [$x[0], $x[1] + self::STEP])];
            $a = [[1 / self::PRIOR_SD[0] ** 2, 0.0], [0.0, 1 / self::PRIOR_SD[1] ** 2]];
            $b = [-$x[0] / self::PRIOR_SD[0] ** 2, -$x[1] / self::PRIOR_SD[1] ** 2];
            foreach ($now as $k => [$miss, $sd]) {
                $j = [($slope[0][$k][0] - $miss) / self::STEP, ($slope[1][$k][0] - $miss) / self::STEP];
                foreach ([0, 1] as $p) {
                    $b[$p] -= $j[$p] * $miss / $sd ** 2;
                    foreach ([0, 1] as $q) {
                        $a[$p][$q] += $j[$p] * $j[$q] / $sd ** 2;
                    }
                }
            }
            $det = $a[0][0] * $a[1][1] - $a[0][1] ** 2;
            $inverse = [[$a[1][1] / $det, -$a[0][1] / $det], [-$a[0][1] / $det, $a[0][0] / $det]];
            $step = [$inverse[0][0] * $b[0] + $inverse[0][1] * $b[1], $inverse[1][0] * $b[0] + $inverse[1][1] * $b[1]];
            $x = [max(-0.08, min(0.15, $x[0] + $step[0])), max(-0.06, min(0.15, $x[1] + $step[1]))];
            if (abs($step[0]) + abs($step[1]) < 1e-7) {
                break;
            }
        }

        return new self(
            $x[0], $x[1], [sqrt($inverse[0][0]), sqrt($inverse[1][1])], (float) $before, self::rms(self::misses($used, $air, $x)),
            count($used),
        );
    }

    /**
     * @param  list<array{Launch, ?float, ?float}>  $shots
     * @param  array{float, float}  $x
     * @return list<array{float, float, bool}> model minus measured m, SD m, is it a carry?
     */
    private static function misses(array $shots, Atmosphere $air, array $x): array
    {
        $flight = new BallFlight($air, aerodynamics: new Aerodynamics($x[0], $x[1]));
        $out = [];
        foreach ($shots as [$launch, $carry, $apex]) {
            $flown = $flight->fly($launch);
            if ($carry !== null) {
                $out[] = [$flown->carryM - $carry, self::CARRY_SD_M, true];
            }
            if ($apex !== null) {
                $out[] = [$flown->apexM - $apex, self::APEX_SD_M, false];
            }
        }

        return $out;
    }

    /** @param  list<array{float, float, bool}>  $misses */
    private static function rms(array $misses): float
    {
        $carries = array_values(array_filter($misses, static fn (array $m): bool => $m[2])) ?: $misses;

        return sqrt(array_sum(array_map(static fn (array $m): float => $m[0] ** 2, $carries)) / max(1, count($carries)));
    }
}
