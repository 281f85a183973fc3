<?php

declare(strict_types=1);

namespace MintCarry\Core\Statistics;

use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Errors\ModelFailure;

/**
 * The F distribution through the regularised incomplete beta function (Abramowitz & Stegun 26.6.2, from memory); quantile by
 * bisection. Checked against scipy in the tests.
 */
final class FisherF
{
    /** @var array<string, float> quantiles that were asked for before */
    private static array $known = [];

    public static function cdf(float $f, float $above, float $below): float
    {
        if ($above <= 0 || $below <= 0) {
            throw ModelFailure::while('A quantile of F', 'it needs positive degrees of freedom');
        }

        return $f <= 0 ? 0.0 : StudentT::incompleteBeta($above * $f / ($above * $f + $below), $above / 2, $below / 2);
    }

    /** The F below which a share `p` of the distribution lies. */
    public static function quantile(float $p, float $above, float $below): float
    {
        InvalidInput::requireWithin('p', $p, 1e-9, 1 - 1e-9);
        $key = "{$p}/{$above}/{$below}";
        if (isset(self::$known[$key])) {
            return self::$known[$key];
        }
        [$low, $high] = [0.0, 1.0];
        while (self::cdf($high, $above, $below) < $p && $high < 1e12) {
            $high *= 2;
        }
        for ($i = 0; $i < 200 && $high - $low > 1e-12 * max(1.0, $high); $i++) {
            $mid = ($low + $high) / 2;
            if (self::cdf($mid, $above, $below) < $p) {
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
}
