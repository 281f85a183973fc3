<?php

declare(strict_types=1);

namespace MintCarry\Core\Statistics;

use Random\Randomizer;

/**
 * The bootstrap (Efron 1979): values drawn again with replacement, the statistic computed anew, the middle 95 % taken (percentile
 * interval).
 */
final class Resampling
{
    /**
     * Interval of the difference of a statistic between two samples.
     *
     * @param  non-empty-list<float>  $a  benchmark
     * @param  non-empty-list<float>  $b
     * @param  callable(non-empty-list<float>): float  $statistic
     */
    public static function difference(array $a, array $b, callable $statistic, Randomizer $random, int $rounds = 400): Interval
    {
        $values = [];
        for ($r = 0; $r < $rounds; $r++) {
            $values[] = $statistic(self::again($b, $random)) - $statistic(self::again($a, $random));
        }

        return Interval::middleOf($values);
    }

    /**
     * @param  non-empty-list<float>  $values
     * @return non-empty-list<float>
     */
    public static function again(array $values, Randomizer $random): array
    {
        $last = count($values) - 1;

        return array_map(static fn (float $v): float => $values[$random->getInt(0, $last)], $values);
    }
}
