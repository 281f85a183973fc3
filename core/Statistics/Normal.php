<?php

declare(strict_types=1);

namespace MintCarry\Core\Statistics;

use function abs;
use function cos;
use function exp;
use function log;
use function max;
use function min;
use function sqrt;

/** Seeded draws and fixed sample sets for the few places that need them. */
final class Normal
{
    /** Uniform on [0, 1). */
    public static function uniform(\Random\Randomizer $random, float $low = 0.0, float $high = 1.0): float
    {
        return $low + ($high - $low) * $random->getInt(0, (1 << 53) - 1) / (1 << 53);
    }

    /** Standard normal draw (Box & Muller 1958). */
    public static function draw(\Random\Randomizer $random): float
    {
        $u = max(1e-300, self::uniform($random));

        return sqrt(-2 * log($u)) * cos(2 * M_PI * self::uniform($random));
    }

    /** Φ(z), by the rational form of Abramowitz & Stegun 7.1.26 (from memory), good to 1.5e-7. */
    public static function cdf(float $z): float
    {
        $x = abs($z) / M_SQRT2;
        $t = 1 / (1 + 0.3275911 * $x);
        $tail =
            0.5 *
            $t *
            (0.254829592 + $t * (-0.284496736 + $t * (1.421413741 + $t * (-1.453152027 + $t * 1.061405429)))) *
            exp(-$x * $x);

        return $z > 0 ? 1 - $tail : $tail;
    }

    /** z with Φ(z) = p, by bisection of Φ; p is kept within 1e-6 of the ends. */
    public static function quantile(float $p): float
    {
        $p = max(1e-6, min(1 - 1e-6, $p));
        [$low, $high] = [-6.0, 6.0];
        for ($i = 0; $i < 40; $i++) {
            $middle = ($low + $high) / 2;
            [$low, $high] = self::cdf($middle) < $p ? [$middle, $high] : [$low, $middle];
        }

        return ($low + $high) / 2;
    }

    /** Chi-square draw with `dof` degrees of freedom (Marsaglia & Tsang 2000 for the gamma variate, from memory). */
    public static function chiSquare(\Random\Randomizer $random, float $dof): float
    {
        $d = $dof / 2 - 1 / 3;
        if ($d <= 0) {
            return self::chiSquare($random, $dof + 2) * max(1e-12, self::uniform($random)) ** (2 / $dof);
        }
        $c = 1 / sqrt(9 * $d);
        do {
            $x = self::draw($random);
            $v = (1 + $c * $x) ** 3;
        } while ($v <= 0 || log(max(1e-300, self::uniform($random))) >= 0.5 * $x * $x + $d - $d * $v + $d * log($v));

        return 2 * $d * $v;
    }
}
