<?php

declare(strict_types=1);

namespace MintCarry\Core\Statistics;

use MintCarry\Core\Errors\InvalidInput;

use function max;
use function min;
use function sqrt;

/** Shares that were counted: so many of so many. Checked against R (`binom.test`, `prop.test`) in the tests. */
final class Binomial
{
    /**
     * The exact interval of a share (Clopper & Pearson 1934), through quantiles of F.
     *
     * @throws InvalidInput where more were hit than there were
     */
    public static function interval(int $hit, int $of, float $level = 0.95): Interval
    {
        self::require($hit, $of);
        $tail = (1 - $level) / 2;
        $low = $hit === 0 ? 0.0 : 1 / (1 + ($of - $hit + 1) / ($hit * FisherF::quantile($tail, 2 * $hit, 2 * ($of - $hit + 1))));
        $f = $hit === $of ? INF : FisherF::quantile(1 - $tail, 2 * ($hit + 1), 2 * ($of - $hit));

        return new Interval($low, $hit === $of ? 1.0 : ($hit + 1) * $f / ($of - $hit + ($hit + 1) * $f));
    }

    /** Wilson's interval of a share (1927). */
    public static function wilson(int $hit, int $of, float $level = 0.95): Interval
    {
        self::require($hit, $of);
        $z = Normal::quantile(1 - (1 - $level) / 2);
        $p = $hit / $of;
        $middle = ($p + $z * $z / (2 * $of)) / (1 + $z * $z / $of);
        $half = $z / (1 + $z * $z / $of) * sqrt($p * (1 - $p) / $of + $z * $z / (4 * $of * $of));

        return new Interval(max(0.0, $middle - $half), min(1.0, $middle + $half));
    }

    /** How likely a split as uneven as this or more so is where both sides are as likely: two-sided, exact. */
    public static function evenSplit(int $one, int $other): float
    {
        self::require(min($one, $other), max(1, $one + $other));
        $n = $one + $other;
        $sum = 0.0;
        for ($k = 0; $k <= min($one, $other); $k++) {
            $sum += exp(StudentT::logGamma($n + 1) - StudentT::logGamma($k + 1) - StudentT::logGamma($n - $k + 1) - $n * log(2));
        }

        return min(1.0, 2 * $sum);
    }

    private static function require(int $hit, int $of): void
    {
        if ($of < 1 || $hit < 0 || $hit > $of) {
            throw InvalidInput::of('hit', "{$hit} of {$of} is no share.");
        }
    }
}
