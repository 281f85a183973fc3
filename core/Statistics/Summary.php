<?php

declare(strict_types=1);

namespace MintCarry\Core\Statistics;

/**
 * What a handful of numbers says: n, mean, standard deviation (n − 1), median and the 95 % interval of the mean by Student t.
 * SD and interval are null from a single number: one shot has no spread.
 */
final readonly class Summary
{
    private function __construct(
        public int $n,
        public float $mean,
        public ?float $sd,
        public float $median,
        public ?Interval $meanInterval,
    ) {
    }

    /** @param  list<float>  $values */
    public static function of(array $values, float $confidence = 0.95): ?self
    {
        $n = count($values);
        if ($n === 0) {
            return null;
        }
        $mean = array_sum($values) / $n;
        $median = Robust::median($values);
        if ($n === 1) {
            return new self(1, $mean, null, $median, null);
        }
        $sum = 0.0;
        foreach ($values as $value) {
            $sum += ($value - $mean) ** 2;
        }
        $sd = sqrt($sum / ($n - 1));
        $half = StudentT::quantile(0.5 + $confidence / 2, $n - 1) * $sd / sqrt($n);

        return new self($n, $mean, $sd, $median, new Interval($mean - $half, $mean + $half));
    }
}
