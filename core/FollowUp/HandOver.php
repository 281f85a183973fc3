<?php

declare(strict_types=1);

namespace MintCarry\Core\FollowUp;

use MintCarry\Core\Statistics\Interval;

/** A club that was handed over: what was promised, and as far as it is known what came. Gains are shares of fairways against the club before. */
final readonly class HandOver
{
    /**
     * @param  float|null  $promised  null where side was not measured, or the own club was kept
     * @param  float|null  $chance  that it is better, as it was told
     * @param  Interval|null  $came  95 %; null: not to be told yet
     * @param  float|null  $difference  what came as it was counted; null: in the middle of the interval
     */
    public function __construct(
        public string $head, public ?float $promised, public ?float $chance, public bool $isOverruled, public ?Interval $came,
        public Kept $kept = Kept::NotYet, private ?float $difference = null,
    ) {
    }

    /** What came, as it was counted: an interval of shares leans to the middle, and its own middle with it. */
    public function gain(): ?float
    {
        return $this->difference ?? ($this->came === null ? null : ($this->came->low + $this->came->high) / 2);
    }

    public function error(): ?float
    {
        return $this->came === null ? null : ($this->came->high - $this->came->low) / (2 * 1.959964);
    }
}
