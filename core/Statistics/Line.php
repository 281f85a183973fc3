<?php

declare(strict_types=1);

namespace MintCarry\Core\Statistics;

use function array_sum;
use function count;
use function sqrt;

/**
 * The straight line through pairs of numbers by least squares, with the usual standard errors and Student-t intervals (any text on
 * regression). Checked against R's `lm`.
 */
final readonly class Line
{
    private function __construct(
        public int $n, public float $slope, public float $intercept, public float $slopeError, public Interval $slopeInterval,
        /** Spread of the points about the line. */
        public float $residualSd,
    ) {
    }

    /**
     * @param  list<array{float, float}>  $points  x and y
     * @return self|null null of fewer than three points, or where all have one x
     */
    public static function through(array $points, float $confidence = 0.95): ?self
    {
        $n = count($points);
        if ($n < 3) {
            return null;
        }
        $x = array_sum(array_column($points, 0)) / $n;
        $y = array_sum(array_column($points, 1)) / $n;
        $xx = $xy = 0.0;
        foreach ($points as [$px, $py]) {
            $xx += ($px - $x) ** 2;
            $xy += ($px - $x) * ($py - $y);
        }
        if ($xx <= 0.0) {
            return null;
        }
        $slope = $xy / $xx;
        $rest = 0.0;
        foreach ($points as [$px, $py]) {
            $rest += ($py - $y - $slope * ($px - $x)) ** 2;
        }
        $sd = sqrt($rest / ($n - 2));
        $error = $sd / sqrt($xx);
        $half = StudentT::quantile(0.5 + $confidence / 2, $n - 2) * $error;

        return new self($n, $slope, $y - $slope * $x, $error, new Interval($slope - $half, $slope + $half), $sd);
    }
}
