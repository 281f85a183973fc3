<?php

declare(strict_types=1);

namespace MintCarry\Core\Statistics;

/**
 * The difference of two means with Welch's interval (Welch 1947; degrees of freedom by Satterthwaite 1946). Null interval when
 * either side has fewer than two numbers.
 */
final readonly class Difference
{
    /**
     * @param  float|null  $error  standard error of the value
     * @param  float|null  $p  how likely a difference as large is by chance, where nothing differs (two-sided)
     */
    private function __construct(
        public float $value, public ?Interval $interval, public ?float $dof, public ?float $error = null, public ?float $p = null,
    ) {
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

        return self::told($value, sqrt($a + $b), $dof, $confidence);
    }

    /**
     * One difference from those of several visits, each weighed by its evidence (inverse variance; degrees of freedom by Satterthwaite
     * 1946). Those without an interval say nothing.
     *
     * @param  list<self>  $visits
     */
    public static function over(array $visits): ?self
    {
        $told = array_values(array_filter($visits, static fn (self $d): bool => $d->error !== null && $d->error > 0 && $d->dof !== null));
        if (count($told) < 2) {
            return $told[0] ?? $visits[0] ?? null;
        }
        [$weights, $value, $square] = [0.0, 0.0, 0.0];
        foreach ($told as $d) {
            $weight = 1 / (float) $d->error ** 2;
            $weights += $weight;
            $value += $weight * $d->value;
            $square += $weight ** 2 / (float) $d->dof;
        }

        return self::told($value / $weights, 1 / sqrt($weights), $weights ** 2 / $square, 0.95);
    }

    private static function told(float $value, float $error, float $dof, float $confidence): self
    {
        $half = StudentT::quantile(0.5 + $confidence / 2, $dof) * $error;
        $p = 2 * (1 - StudentT::cdf(abs($value) / $error, $dof));

        return new self($value, new Interval($value - $half, $value + $half), $dof, $error, $p);
    }

    /** The same difference with an interval that was found another way. */
    public function within(Interval $interval): self
    {
        return new self($this->value, $interval, null, $this->error, $this->p);
    }

    /** Does the interval leave zero out? */
    public function isClear(): bool
    {
        return $this->interval !== null && ! $this->interval->contains(0.0);
    }
}
