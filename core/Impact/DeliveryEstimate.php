<?php

declare(strict_types=1);

namespace MintCarry\Core\Impact;

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Statistics\Matrix;

use function abs;
use function count;
use function max;
use function min;
use function sqrt;

/**
 * The inverse of `Impact`: from a recorded shot, the delivery and strike that most likely made it.
 *
 * Gauss–Newton on club speed, attack, path, dynamic loft, face, toe, high and a correction of the restitution, with normal priors
 * for what was not measured (docs/physics.md, "Inverse"); what was measured enters as a tight prior. The spread returned is that
 * of the linearised posterior. An unmeasured value whose spread the ball did not shrink by a tenth is called assumed, not
 * estimated.
 */
final readonly class DeliveryEstimate
{
    /**
     * Prior SD of what was not measured, and SD of a measurement: club speed (share of it), attack °, path °, dynamic loft °,
     * face °, toe mm, high mm, restitution.
     */
    private const PRIOR_SD = [0.05, 3.0, 3.0, 4.0, 4.0, 10.0, 8.0, 0.02];

    private const MEASURED_SD = [0.008, 0.6, 0.6, 0.8, 0.8, 1.5, 1.5, 0.02];

    private const STEP = [0.05, 0.1, 0.1, 0.1, 0.1, 0.5, 0.5, 0.002];

    private const NAMES = ['clubSpeedMps', 'attackDeg', 'pathDeg', 'dynamicLoftDeg', 'faceDeg', 'toeMm', 'highMm', 'restitution'];

    /** @param  array<string, Estimate>  $values by name: clubSpeedMps, attackDeg, pathDeg, dynamicLoftDeg, faceDeg, toeMm, highMm */
    private function __construct(public array $values)
    {
    }

    /**
     * @param  bool  $directionKnown  was the launch direction measured?
     * @param  bool  $axisKnown  was the spin axis measured?
     * @param  array<string, float>  $measured  club values that were measured, by name as above
     *
     * @throws InvalidInput when no swing could have made this shot
     */
    public static function of(
        Launch $ball, bool $directionKnown, bool $axisKnown, array $measured, Head $head = new Head, Hand $hand = Hand::Right,
    ): self {
        // Work as a right-hander; the mirror is undone at the end.
        $sign = $hand->sign();
        foreach (['pathDeg', 'faceDeg'] as $name) {
            if (isset($measured[$name])) {
                $measured[$name] *= $sign;
            }
        }
        [$observed, $noise] = self::observed($ball, $directionKnown, $axisKnown, $sign);
        $club = $measured['clubSpeedMps'] ?? $ball->ballSpeedMps / PlayerPriors::SMASH;
        $prior = [
            $club, $measured['attackDeg'] ?? 0.0, $measured['pathDeg'] ?? 0.0, $measured['dynamicLoftDeg'] ?? 13.0,
            $measured['faceDeg'] ?? 0.0, $measured['toeMm'] ?? 0.0, $measured['highMm'] ?? 0.0, 0.0,
        ];
        $sd = self::PRIOR_SD;
        foreach (self::NAMES as $i => $name) {
            $sd[$i] = isset($measured[$name]) ? self::MEASURED_SD[$i] : $sd[$i];
        }
        $sd[0] *= $club;
        $x = $prior;
        if (! isset($measured['dynamicLoftDeg'])) {
            $x[3] = min(35.0, max(2.0, $ball->launchDeg + 2));
        }
        if (! isset($measured['faceDeg']) && $directionKnown) {
            $x[4] = max(-15.0, min(15.0, $sign * $ball->directionDeg));
        }
        $inverse = [];
        for ($round = 0; $round < 8; $round++) {
            [$inverse, $steps] = self::steps($x, $prior, $sd, $observed, $noise, $head, $directionKnown, $axisKnown);
            $largest = 0.0;
            foreach ($x as $i => $value) {
                $limit = $i === 0 ? 0.1 * $club : 1.5 * self::PRIOR_SD[$i];
                $step = max(-$limit, min($limit, $steps[$i]));
                $x[$i] = $value + $step;
                $largest = max($largest, abs($step) / ($i === 0 ? 0.05 * $club : self::PRIOR_SD[$i]));
            }
            if ($largest < 1e-4) {
                break;
            }
        }
        $values = [];
        foreach (array_slice(self::NAMES, 0, 7) as $i => $name) {
            $mirrored = $name === 'pathDeg' || $name === 'faceDeg' ? $sign : 1;
            $spread = sqrt(max(0.0, $inverse[$i][$i]));
            $values[$name] = isset($measured[$name])
                ? new Estimate($mirrored * $measured[$name], $sd[$i], 'measured')
                : new Estimate($mirrored * $x[$i], $spread, $spread < 0.9 * $sd[$i] ? 'estimated' : 'assumed');
        }

        return new self($values);
    }

    /**
     * What was seen of the ball, as a right-hander's, and how far each of it is trusted.
     *
     * @return array{array<int, float>, array<int, float>} values, and their standard errors
     */
    private static function observed(Launch $ball, bool $directionKnown, bool $axisKnown, int $sign): array
    {
        $observed = [$ball->ballSpeedMps, $ball->launchDeg, $ball->spinRpm];
        $noise = [0.004 * $ball->ballSpeedMps, 0.3, max(40.0, 0.02 * $ball->spinRpm)];
        if ($directionKnown) {
            $observed[] = $sign * $ball->directionDeg;
            $noise[] = 0.3;
        }
        if ($axisKnown) {
            $observed[] = $sign * $ball->spinAxisDeg;
            $noise[] = 1.0;
        }

        return [$observed, $noise];
    }

    /**
     * One step of Gauss and Newton toward the swing that best explains the ball and what is usual.
     *
     * @param  array<int, float>  $x
     * @param  array<int, float>  $prior
     * @param  array<int, float>  $sd
     * @param  array<int, float>  $observed
     * @param  array<int, float>  $noise
     * @return array{array<int, array<int, float>>, array<int, float>} covariance of the unknowns, and the step
     */
    private static function steps(
        array $x, array $prior, array $sd, array $observed, array $noise, Head $head, bool $directionKnown, bool $axisKnown,
    ): array {
        $now = self::predict($x, $head, $directionKnown, $axisKnown);
        /** @var array<int, array<int, float>> $slopes */
        $slopes = array_fill(0, count($observed), []);
        foreach (self::STEP as $i => $h) {
            $moved = $x;
            $moved[$i] += $h;
            foreach (self::predict($moved, $head, $directionKnown, $axisKnown) as $k => $value) {
                $slopes[$k][$i] = ($value - $now[$k]) / $h;
            }
        }
        /** @var array<int, array<int, float>> $a */
        $a = [];
        /** @var array<int, float> $b */
        $b = [];
        foreach ($x as $i => $value) {
            $b[$i] = ($prior[$i] - $value) / $sd[$i] ** 2;
            foreach ($observed as $k => $seen) {
                $b[$i] += $slopes[$k][$i] * ($seen - $now[$k]) / $noise[$k] ** 2;
            }
            foreach ($x as $j => $_) {
                $sum = $i === $j ? 1 / $sd[$i] ** 2 : 0.0;
                foreach ($slopes as $k => $slope) {
                    $sum += $slope[$i] * $slope[$j] / $noise[$k] ** 2;
                }
                $a[$i][$j] = $sum;
            }
        }
        $inverse = Matrix::inverse($a);

        return [$inverse, Matrix::times($inverse, $b)];
    }

    /**
     * @param  array<int, float>  $x
     * @return list<float> ball speed, launch, spin, and direction and axis where known
     */
    private static function predict(array $x, Head $head, bool $direction, bool $axis): array
    {
        [$speed, $attack, $path, $loft, $face, $toe, $high, $restitution] = $x;
        $e = max(0.5, min(1.0, $head->effectiveRestitution + $restitution));
        $shifted = $head->withRestitution($e);
        $clip = static fn (float $value, float $limit): float => max(-$limit, min($limit, $value));
        $launch = (new Impact($shifted))->strike(
            new Delivery(max(6.0, min(79.0, $speed)), $clip($attack, 24), $clip($path, 29), max(-5.0, min(44.0, $loft)), $clip($face, 29)),
            new Strike($clip($toe, 55), $clip($high, 33)),
        );
        $out = [$launch->ballSpeedMps, $launch->launchDeg, $launch->spinRpm];
        if ($direction) {
            $out[] = $launch->directionDeg;
        }
        if ($axis) {
            $out[] = $launch->spinAxisDeg;
        }

        return $out;
    }
}
