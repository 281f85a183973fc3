<?php

declare(strict_types=1);

namespace MintCarry\Core\Statistics;

/**
 * The difference of two means with Welch's interval (Welch 1947; degrees of freedom by Satterthwaite 1946). Null interval when
 * either side has fewer than two numbers.
 */
final readonly class Difference
{
    private function __construct(public float $value, public ?Interval $interval, public ?float $dof)
    {
    }

    /** How far `other` lies above `benchmark`. */
    public static function between(Summary $benchmark, Summary $other, float $confidence = 0.95): self
    {
        $value = $other->mean - $benchmark->mean;
        if ($benchmark->sd === null || $other->sd === null) {
            return new self($value, null, null);
        }
        $a = $benchmark->sd ** 2 / $benchmark->n;
        $b = $other->sd ** 2 / $other->n;
        if ($a + $b <= 0) {
            return new self($value, new Interval($value, $value), $benchmark->n + $other->n - 2.0);
        }
        $dof = ($a + $b) ** 2 / ($a ** 2 / ($benchmark->n - 1) + $b ** 2 / ($other->n - 1));
        $half = StudentT::quantile(0.5 + $confidence / 2, $dof) * sqrt($a + $b);

        return new self($value, new Interval($value - $half, $value + $half), $dof);
    }

    /** The same difference with an interval that was found another way. */
    public function within(Interval $interval): self
    {
        return new self($this->value, $interval, null);
    }

    /** Does the interval leave zero out? */
    public function isClear(): bool
    {
        return $this->interval !== null && ! $this->interval->contains(0.0);
    }
}
