<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

/**
 * A setup as the decision sees it: whether it is barred, what it takes to play it, and what it costs (null: nobody
 * told).
 */
final readonly class Option
{
    public function __construct(public bool $isBarred = false, public Effort $effort = Effort::InStock, public ?float $price = null)
    {
    }
}
