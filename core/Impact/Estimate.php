<?php

declare(strict_types=1);

namespace MintCarry\Core\Impact;

/** One value of an estimated delivery or strike, with its standard deviation and where it comes from: measured, estimated or assumed. */
final readonly class Estimate
{
    public function __construct(public float $value, public float $sd, public string $from)
    {
    }
}
