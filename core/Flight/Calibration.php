<?php

declare(strict_types=1);

namespace MintCarry\Core\Flight;

use MintCarry\Core\Air\Atmosphere;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Statistics\Matrix;

use function abs;
use function array_column;
use function array_filter;
use function array_map;
use function array_sum;
use function array_values;
use function count;
use function max;
use function min;
use function sqrt;

/**
 * Makes the flight model agree with one bay's monitor: from shots that carry launch data and a measured carry or apex, the
 * offsets of drag and lift and the share by which the monitor misreads spin, all shrunk toward nothing or toward what else is
 * known of the monitor. A carry counts with SD 3 m, an apex with 2 m (assumptions); what lies more than three of these off counts
 * less and less, so that one absurd shot moves nothing. Gauss–Newton with weights (Huber 1981, "Robust Statistics", from memory).
 */
final readonly class Calibration
{
    /** Width of the drag offset, of the lift offset and of the share of spin before anything was seen (assumptions). */
    public const PRIOR_SD = [0.012, 0.05, 0.04];

    private const CARRY_SD_M = 3.0;

    private const APEX_SD_M = 2.0;

    private const STEP = [0.002, 0.005, 0.01];

    /** Within these a step stays, whatever the shots ask for. */
    private const LIMIT = [0.06, 0.18, 0.25];

    /** From so many SD on a measured value counts less. */
    private const TRUSTED_SD = 3.0;

    /** @param  array{float, float, float}  $sd  of drag offset, lift offset and share of spin */
    private function __construct(
        public float $dragOffset,
        public float $liftOffset,
        public float $spinOffset,
        public array $sd,
        /** Root mean square misfit of the measured carries (apexes where no carry was measured), m. */
        public float $residualBeforeM,
        public float $residualAfterM,
        public int $n,
    ) {
    }

    /**
     * @param  list<array{0: Launch, 1: ?float, 2: ?float, 3?: Atmosphere}>  $shots  launch, measured carry m, measured apex m, and
     *   the air where it is another
     * @param  Aerodynamics  $around  what is believed before these shots
     * @param  array{float, float, float}  $priorSd  and how surely
     *
     * @throws InvalidInput where nothing was measured, or a carry (1 … 450 m) or apex (0 … 110 m) cannot be
     */
    public static function fit(
        array $shots, Atmosphere $air = new Atmosphere, Aerodynamics $around = new Aerodynamics, array $priorSd = self::PRIOR_SD,
    ): self {
        $used = self::measured($shots);
        $prior = [$around->dragOffset, $around->liftOffset, $around->spinOffset];
        $x = $prior;
        $before = self::misses($used, $air, [0.0, 0.0, 0.0]);
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

        return new self(
            $x[0], $x[1], $x[2], [sqrt($inverse[0][0]), sqrt($inverse[1][1]), sqrt($inverse[2][2])], self::rms($before),
            self::rms(self::misses($used, $air, $x)), count($used),
        );
    }

    /**
     * One step of Gauss and Newton.
     *
     * @param  list<array{0: Launch, 1: ?float, 2: ?float, 3?: Atmosphere}>  $shots
     * @param  array<int, float>  $x
     * @param  array<int, float>  $prior
     * @param  array<int, float>  $priorSd
     * @return array{array<int, array<int, float>>, array<int, float>} covariance of the three, and the step
     */
    private static function step(array $shots, Atmosphere $air, array $x, array $prior, array $priorSd): array
    {
        $now = self::misses($shots, $air, $x);
        $slopes = [];
        $a = array_fill(0, 3, [0.0, 0.0, 0.0]);
        $b = [0.0, 0.0, 0.0];
        foreach (self::STEP as $p => $h) {
            $moved = $x;
            $moved[$p] += $h;
            $slopes[$p] = self::misses($shots, $air, $moved);
            $b[$p] = ($prior[$p] - $x[$p]) / $priorSd[$p] ** 2;
            $a[$p][$p] = 1 / $priorSd[$p] ** 2;
        }
        foreach ($now as $k => [$miss, $sd]) {
            $weight = self::weight($miss / $sd) / $sd ** 2;
            $j = array_map(static fn (int $p): float => ($slopes[$p][$k][0] - $miss) / self::STEP[$p], [0, 1, 2]);
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

    public function aerodynamics(): Aerodynamics
    {
        return new Aerodynamics($this->dragOffset, $this->liftOffset, $this->spinOffset);
    }

    /**
     * Those that tell something.
     *
     * @param  list<array{0: Launch, 1: ?float, 2: ?float, 3?: Atmosphere}>  $shots
     * @return list<array{0: Launch, 1: ?float, 2: ?float, 3?: Atmosphere}>
     */
    private static function measured(array $shots): array
    {
        $used = array_values(array_filter($shots, static fn (array $s): bool => $s[1] !== null || $s[2] !== null));
        if ($used === []) {
            throw InvalidInput::of('shots', 'No shot carries a measured carry or apex: there is nothing to calibrate by.');
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

    private static function weight(float $z): float
    {
        return abs($z) <= self::TRUSTED_SD ? 1.0 : (self::TRUSTED_SD / $z) ** 2;
    }

    /**
     * @param  list<array{0: Launch, 1: ?float, 2: ?float, 3?: Atmosphere}>  $shots
     * @param  array<int, float>  $x
     * @return list<array{float, float, bool}> model minus measured m, SD m, is it a carry?
     */
    private static function misses(array $shots, Atmosphere $air, array $x): array
    {
        $law = new Aerodynamics($x[0], $x[1], $x[2]);
        $flight = new BallFlight($air, aerodynamics: $law);
        $out = [];
        foreach ($shots as $shot) {
            $flown = (isset($shot[3]) ? new BallFlight($shot[3], aerodynamics: $law) : $flight)->fly($shot[0]);
            if ($shot[1] !== null) {
                $out[] = [$flown->carryM - $shot[1], self::CARRY_SD_M, true];
            }
            if ($shot[2] !== null) {
                $out[] = [$flown->apexM - $shot[2], self::APEX_SD_M, false];
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
