<?php

declare(strict_types=1);

namespace MintCarry\Core\Flight;

use MintCarry\Core\Air\Atmosphere;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Statistics\Matrix;

use function abs;
use function array_column;
use function array_fill;
use function array_filter;
use function array_keys;
use function array_map;
use function array_slice;
use function array_sum;
use function array_values;
use function count;
use function max;
use function min;
use function sqrt;

/**
 * Makes the flight model agree with one bay's monitor: from shots that carry launch data and a measured carry or apex, steps along
 * the ways in which the law's own constants are uncertain (`Aerodynamics`), and the share by which the monitor misreads spin; all
 * shrunk toward nothing or toward what else is known of the monitor. A carry counts with SD 3 m, an apex with 2 m (assumptions);
 * what lies more than three of these off counts less and less, so that one absurd shot moves nothing. Gauss–Newton with weights
 * (Huber 1981, "Robust Statistics", from memory).
 */
final readonly class Calibration
{
    /** Width of each way and of the share of spin (assumption) before anything was seen. */
    public const PRIOR_SD = [1.0, 1.0, 1.0, 1.0, 1.0, 0.04];

    private const CARRY_SD_M = 3.0;

    private const APEX_SD_M = 2.0;

    private const STEP = [0.25, 0.25, 0.25, 0.25, 0.25, 0.01];

    /** Within these a step stays, whatever the shots ask for. */
    private const LIMIT = [8.0, 8.0, 8.0, 8.0, 8.0, 0.25];

    private const SPIN = 5;

    /** From so many SD on a measured value counts less. */
    private const TRUSTED_SD = 3.0;

    /** @param  list<float>  $sd  of each way, and of the share of spin */
    private function __construct(
        public Aerodynamics $aerodynamics,
        public array $sd,
        /** Root mean square misfit of the measured carries (apexes where no carry was measured), m. */
        public float $residualBeforeM,
        public float $residualAfterM,
        public int $n,
    ) {
    }

    /**
     * @param  list<array{0: Launch, 1: ?float, 2: ?float, 3?: Atmosphere, 4?: BallFactors}>  $shots  launch, measured carry m, measured
     *   apex m, the air where it is another, and what is known of the ball
     * @param  Aerodynamics  $around  what is believed before these shots
     * @param  list<float>  $priorSd  and how surely: of each way, and of the share of spin
     *
     * @throws InvalidInput where nothing was measured, or a carry (1 … 450 m) or apex (0 … 110 m) cannot be
     */
    public static function fit(
        array $shots, Atmosphere $air = new Atmosphere, Aerodynamics $around = new Aerodynamics, array $priorSd = self::PRIOR_SD,
    ): self {
        $used = self::measured($shots);
        $prior = [...$around->ways, $around->spinOffset];
        $x = $prior;
        $before = self::misses($used, $air, array_fill(0, count($prior), 0.0));
        $inverse = [];
        for ($round = 0; $round < 12; $round++) {
            [$inverse, $step] = self::step($used, $air, $x, $prior, $priorSd);
            $moved = 0.0;
            foreach ($x as $p => $value) {
                $x[$p] = max(-self::LIMIT[$p], min(self::LIMIT[$p], $value + $step[$p]));
                $moved += abs($x[$p] - $value) / $priorSd[$p];
            }
            if ($moved < 1e-6) {
                break;
            }
        }

        $sd = [];
        foreach (self::STEP as $p => $_) {
            $sd[] = sqrt($inverse[$p][$p]);
        }
        $ofWays = array_map(static fn (array $row): array => array_slice($row, 0, self::SPIN), array_slice($inverse, 0, self::SPIN));

        return new self(
            self::law($x, self::columns(Matrix::cholesky($ofWays))), $sd, self::rms($before),
            self::rms(self::misses($used, $air, $x)), count($used),
        );
    }

    /** @return array{float, float, float} SD of the drag and lift offsets and of the share of spin */
    public function offsetSds(): array
    {
        $of = function (int $constant): float {
            $sum = 0.0;
            foreach ($this->aerodynamics->open as $column) {
                $move = 0.0;
                foreach ($column as $way => $by) {
                    $move += $by * Aerodynamics::WAYS[$way][$constant];
                }
                $sum += $move ** 2;
            }

            return sqrt($sum);
        };

        return [$of(0), $of(1), $this->sd[self::SPIN]];
    }

    /**
     * @param  array<int, float>  $x  steps along the ways, then the share of spin
     * @param  list<list<float>>|null  $open
     */
    private static function law(array $x, ?array $open = null): Aerodynamics
    {
        return new Aerodynamics(array_slice($x, 0, self::SPIN), $x[self::SPIN], $open);
    }

    /**
     * @param  array<int, array<int, float>>  $root  rows of a lower triangle
     * @return list<list<float>> its columns
     */
    private static function columns(array $root): array
    {
        $out = [];
        foreach ($root as $k => $_) {
            $out[] = array_map(static fn (array $row): float => $row[$k] ?? 0.0, array_values($root));
        }

        return $out;
    }

    /**
     * One step of Gauss and Newton.
     *
     * @param  list<array{0: Launch, 1: ?float, 2: ?float, 3?: Atmosphere, 4?: BallFactors}>  $shots
     * @param  array<int, float>  $x
     * @param  array<int, float>  $prior
     * @param  array<int, float>  $priorSd
     * @return array{list<list<float>>, array<int, float>} covariance, and the step
     */
    private static function step(array $shots, Atmosphere $air, array $x, array $prior, array $priorSd): array
    {
        $now = self::misses($shots, $air, $x);
        $slopes = [];
        $b = array_fill(0, count($x), 0.0);
        $a = array_fill(0, count($x), $b);
        foreach (self::STEP as $p => $h) {
            $moved = $x;
            $moved[$p] += $h;
            $slopes[$p] = self::misses($shots, $air, $moved);
            $b[$p] = ($prior[$p] - $x[$p]) / $priorSd[$p] ** 2;
            $a[$p][$p] = 1 / $priorSd[$p] ** 2;
        }
        foreach ($now as $k => [$miss, $weight]) {
            $j = array_map(static fn (int $p): float => ($slopes[$p][$k][0] - $miss) / self::STEP[$p], array_keys(self::STEP));
            foreach ($j as $p => $jp) {
                $b[$p] -= $weight * $jp * $miss;
                foreach ($j as $q => $jq) {
                    $a[$p][$q] += $weight * $jp * $jq;
                }
            }
        }
        $inverse = Matrix::inverse($a);

        return [$inverse, Matrix::times($inverse, $b)];
    }

    /**
     * Those that tell something.
     *
     * @param  list<array{0: Launch, 1: ?float, 2: ?float, 3?: Atmosphere, 4?: BallFactors}>  $shots
     * @return list<array{0: Launch, 1: ?float, 2: ?float, 3?: Atmosphere, 4?: BallFactors}>
     */
    private static function measured(array $shots): array
    {
        $used = array_values(array_filter($shots, static fn (array $s): bool => $s[1] !== null || $s[2] !== null));
        if ($used === []) {
            throw InvalidInput::of('shots', 'No shot has a measured carry or apex, so there is nothing to calibrate with.');
        }
        foreach ($used as $shot) {
            if ($shot[1] !== null) {
                InvalidInput::requireWithin('carryM', $shot[1], 1, 450, 'm');
            }
            if ($shot[2] !== null) {
                InvalidInput::requireWithin('apexM', $shot[2], 0, 110, 'm');
            }
        }

        return $used;
    }

    /** @return array{float, float} a carry or an apex that the model misses by so many m, and how much that counts, 1/m² */
    public static function weigh(float $missM, bool $isCarry): array
    {
        $sd = $isCarry ? self::CARRY_SD_M : self::APEX_SD_M;
        $z = abs($missM) / $sd;

        return [$missM, ($z <= self::TRUSTED_SD ? 1.0 : (self::TRUSTED_SD / $z) ** 2) / $sd ** 2];
    }

    /**
     * @param  list<array{0: Launch, 1: ?float, 2: ?float, 3?: Atmosphere, 4?: BallFactors}>  $shots
     * @param  array<int, float>  $x
     * @return list<array{float, float, bool}> model minus measured m, how much it counts 1/m², is it a carry?
     */
    private static function misses(array $shots, Atmosphere $air, array $x): array
    {
        $law = self::law($x);
        $out = [];
        foreach ($shots as $shot) {
            $flown = (new BallFlight($shot[3] ?? $air, aerodynamics: isset($shot[4]) ? $law->ofBall($shot[4]) : $law))->fly($shot[0]);
            if ($shot[1] !== null) {
                $out[] = [...self::weigh($flown->carryM - $shot[1], isCarry: true), true];
            }
            if ($shot[2] !== null) {
                $out[] = [...self::weigh($flown->apexM - $shot[2], isCarry: false), false];
            }
        }

        return $out;
    }

    /** @param  list<array{float, float, bool}>  $misses */
    private static function rms(array $misses): float
    {
        $carries = array_values(array_filter($misses, static fn (array $m): bool => $m[2])) ?: $misses;

        return sqrt(array_sum(array_map(static fn (float $m): float => $m ** 2, array_column($carries, 0))) / max(1, count($carries)));
    }
}
