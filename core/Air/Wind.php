<?php

declare(strict_types=1);

namespace MintCarry\Core\Air;

use MintCarry\Core\Errors\InvalidInput;

/**
 * Steady wind. Described as golfers do: speed, and the direction it comes from on a clock face seen by the player,
 * 0° = straight into the face, 90° = from the right, 180° = from behind, 270° = from the left.
 */
final readonly class Wind
{
    /** Velocity of the air, m/s: toward the target. */
    public float $alongMps;

    /** Velocity of the air, m/s: toward the right. */
    public float $rightMps;

    public function __construct(public float $speedMps = 0.0, public float $fromDeg = 0.0)
    {
        InvalidInput::requireWithin('windSpeedMps', $speedMps, 0, 40, 'm/s');
        InvalidInput::requireWithin('windFromDeg', $fromDeg, -360, 360, '°');
        $this->alongMps = -$speedMps * cos(deg2rad($fromDeg));
        $this->rightMps = -$speedMps * sin(deg2rad($fromDeg));
    }
}
