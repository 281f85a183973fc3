<?php

declare(strict_types=1);

namespace MintCarry\Core\Statistics;

/**
 * Median and the spread that outliers do not move: 1.4826 × the median absolute deviation, which equals the SD of a normal sample
 * (Hampel 1974, from memory).
 */
final class Robust
{
    /** @param  non-empty-list<float>  $values */
    public static function median(array $values): float
    {
        sort($values);
        $n = count($values);

        return $n % 2 === 1 ? $values[intdiv($n, 2)] : ($values[intdiv($n, 2) - 1] + $values[intdiv($n, 2)]) / 2;
    }

    /** @param  non-empty-list<float>  $values */
    public static function sd(array $values): float
    {
        $middle = self::median($values);

        return 1.4826 * self::median(array_map(static fn (float $v): float => abs($v - $middle), $values));
    }

    /**
     * Values beyond `limit` robust SD of the median, pulled in to there. Fewer than four, or values without spread, stay as they are.
     *
     * @param  list<float>  $values
     * @return list<float>
     */
    public static function pulledIn(array $values, float $limit = 2.5): array
    {
        if (count($values) < 4) {
            return $values;
        }
        $middle = self::median($values);
        $reach = $limit * self::sd($values);

        return $reach <= 0 ? $values : array_map(static fn (float $v): float => max($middle - $reach, min($middle + $reach, $v)), $values);
    }
}
