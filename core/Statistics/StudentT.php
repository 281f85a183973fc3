<?php

declare(strict_types=1);

namespace MintCarry\Core\Statistics;

use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Errors\ModelFailure;

/**
 * Student's t distribution. CDF through the regularised incomplete beta function (continued fraction by the modified Lentz method,
 * as in Abramowitz & Stegun 26.5.8; from memory), quantile by bisection and Newton on that CDF. Checked against scipy in the tests.
 */
final class StudentT
{
    /** @var array<string, float> quantiles that were asked for before */
    private static array $known = [];

    public static function cdf(float $t, float $dof): float
    {
        if ($dof <= 0 || is_nan($t)) {
            throw ModelFailure::while('A quantile of Student’s t', 'it needs a positive number of degrees of freedom and a number');
        }
        $tail = 0.5 * self::incompleteBeta($dof / ($dof + $t * $t), $dof / 2, 0.5);

        return $t > 0 ? 1 - $tail : $tail;
    }

    /** The t below which a share `p` of the distribution lies. */
    public static function quantile(float $p, float $dof): float
    {
        InvalidInput::requireWithin('p', $p, 1e-9, 1 - 1e-9);
        if (abs($p - 0.5) < 1e-15) {
            return 0.0;
        }
        if ($p < 0.5) {
            return -self::quantile(1 - $p, $dof);
        }
        $key = "{$p}/{$dof}";
        if (isset(self::$known[$key])) {
            return self::$known[$key];
        }
        $low = 0.0;
        $high = 1.0;
        while (self::cdf($high, $dof) < $p) {
            $high *= 2;
        }
        for ($i = 0; $i < 200 && $high - $low > 1e-12 * max(1.0, $high); $i++) {
            $mid = ($low + $high) / 2;
            if (self::cdf($mid, $dof) < $p) {
                $low = $mid;
            } else {
                $high = $mid;
            }
        }

        if (count(self::$known) > 4000) {
            self::$known = [];
        }

        return self::$known[$key] = ($low + $high) / 2;
    }

    /** I_x(a, b). */
    public static function incompleteBeta(float $x, float $a, float $b): float
    {
        if ($x <= 0) {
            return 0.0;
        }
        if ($x >= 1) {
            return 1.0;
        }
        $front = exp(self::logGamma($a + $b) - self::logGamma($a) - self::logGamma($b) + $a * log($x) + $b * log(1 - $x));

        return $x < ($a + 1) / ($a + $b + 2)
            ? $front * self::betaFraction($x, $a, $b) / $a
            : 1 - $front * self::betaFraction(1 - $x, $b, $a) / $b;
    }

    private static function betaFraction(float $x, float $a, float $b): float
    {
        $tiny = 1e-300;
        $c = 1.0;
        $d = 1 / (abs(1 - ($a + $b) * $x / ($a + 1)) < $tiny ? $tiny : 1 - ($a + $b) * $x / ($a + 1));
        $value = $d;
        for ($m = 1; $m < 500; $m++) {
            foreach ([
                $m * ($b - $m) * $x / (($a + 2 * $m - 1) * ($a + 2 * $m)),
                -($a + $m) * ($a + $b + $m) * $x / (($a + 2 * $m) * ($a + 2 * $m + 1)),
            ] as $step) {
                $d = 1 + $step * $d;
                $d = 1 / (abs($d) < $tiny ? $tiny : $d);
                $c = 1 + $step / $c;
                $c = abs($c) < $tiny ? $tiny : $c;
                $value *= $d * $c;
            }
            if (abs($d * $c - 1) < 1e-15) {
                break;
            }
        }

        return $value;
    }

    /** ln Γ(x) for x > 0, Lanczos approximation (g = 7, 9 terms; from memory), good to about 1e-14. */
    public static function logGamma(float $x): float
    {
        if ($x < 0.5) {
            return log(M_PI / sin(M_PI * $x)) - self::logGamma(1 - $x);
        }
        $x--;
        $sum = 0.99999999999980993;
        foreach (
            [
                676.5203681218851, -1259.1392167224028, 771.32342877765313, -176.61502916214059, 12.507343278686905,
                -0.13857109526572012, 9.9843695780195716e-6, 1.5056327351493116e-7,
            ] as $i => $c
        ) {
            $sum += $c / ($x + $i + 1);
        }
        $t = $x + 7.5;

        return 0.5 * log(2 * M_PI) + ($x + 0.5) * log($t) - $t + log($sum);
    }
}
