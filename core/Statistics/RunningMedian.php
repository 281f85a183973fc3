<?php

declare(strict_types=1);

namespace MintCarry\Core\Statistics;

use SplMaxHeap;
use SplMinHeap;

use function count;

/** The median of values that come one after another, without sorting them anew: the lower half in one heap, the upper in another. */
final class RunningMedian
{
    /** @var SplMaxHeap<float> */
    private readonly SplMaxHeap $lower;

    /** @var SplMinHeap<float> */
    private readonly SplMinHeap $upper;

    public function __construct()
    {
        $this->lower = new SplMaxHeap;
        $this->upper = new SplMinHeap;
    }

    public function add(float $value): void
    {
        if (count($this->lower) === 0 || $value <= $this->lower->top()) {
            $this->lower->insert($value);
        } else {
            $this->upper->insert($value);
        }
        if (count($this->lower) > count($this->upper) + 1) {
            $this->upper->insert($this->lower->extract());
        } elseif (count($this->upper) > count($this->lower)) {
            $this->lower->insert($this->upper->extract());
        }
    }

    public function count(): int
    {
        return count($this->lower) + count($this->upper);
    }

    /** @return float|null null while there is no value; the same as `Robust::median` of all */
    public function value(): ?float
    {
        return match (true) {
            count($this->lower) === 0 => null,
            count($this->lower) > count($this->upper) => $this->lower->top(),
            default => ($this->lower->top() + $this->upper->top()) / 2,
        };
    }
}
