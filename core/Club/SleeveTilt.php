<?php

declare(strict_types=1);

namespace MintCarry\Core\Club;

use MintCarry\Core\Errors\InvalidInput;

/** One tilt of the shaft in the head: by how much, and toward where on the clock (0 upright, 90 toward the target, 180 flat, 270 away). */
final readonly class SleeveTilt
{
    public function __construct(public float $tiltDeg, public float $clockDeg)
    {
        InvalidInput::requireWithin('tiltDeg', $tiltDeg, 0, 6, '°');
        InvalidInput::requireWithin('clockDeg', $clockDeg, -360, 360, '°');
    }
}
