<?php

declare(strict_types=1);

namespace MintCarry\Core\Statistics;

use function asort;
use function count;
use function max;
use function min;

/**
 * Many questions asked at once: p-values as they stand when any of them being wrong counts (S. Holm, "A simple sequentially rejective
 * multiple test procedure", Scandinavian Journal of Statistics 6, 1979; from memory, checked against R's p.adjust).
 */
final class Holm
{
    /**
     * @template K of array-key
     *
     * @param  array<K, float>  $p
     * @return array<K, float> adjusted, under the same keys
     */
    public static function adjusted(array $p): array
    {
        $left = count($p);
        $most = 0.0;
        $out = $p;
        asort($p);
        foreach ($p as $key => $value) {
            $most = max($most, min(1.0, $left-- * $value));
            $out[$key] = $most;
        }

        return $out;
    }
}
