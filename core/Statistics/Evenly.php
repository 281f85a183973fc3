<?php

declare(strict_types=1);

namespace MintCarry\Core\Statistics;

use function count;

/** A long list by some of its entries, spread evenly over it: the first and the last are among them, and a short list stays as it is. */
final class Evenly
{
    /**
     * @template T
     *
     * @param  list<T>  $all
     * @param  int  $most  at least 2
     * @return list<T>
     */
    public static function of(array $all, int $most): array
    {
        $n = count($all);
        if ($n <= $most) {
            return $all;
        }
        $out = [];
        for ($i = 0; $i < $most; $i++) {
            $out[] = $all[intdiv($i * ($n - 1), $most - 1)];
        }

        return $out;
    }
}
