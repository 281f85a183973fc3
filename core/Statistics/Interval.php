<?php

declare(strict_types=1);

namespace MintCarry\Core\Statistics;

final readonly class Interval
{
    public function __construct(public float $low, public float $high)
    {
    }

    /**
     * The middle 95 % of drawn values.
     *
     * @param  array<int, float>  $values
     */
    public static function middleOf(array $values): self
    {
        sort($values);
        $last = count($values) - 1;

        return new self($values[(int) floor(0.025 * $last)], $values[(int) ceil(0.975 * $last)]);
    }

    public function contains(float $value): bool
    {
        return $value >= $this->low && $value <= $this->high;
    }
}
