<?php

declare(strict_types=1);

namespace MintCarry\Core\Flight;

/**
 * Where the flight law holds: what drivers, fairways and hybrids launch. Beyond it nothing is predicted (docs/physics.md, "Flight law").
 */
final class FlightRange
{
    /** 90 to 200 mph. */
    public const BALL_SPEED_MPS = [40.2, 89.4];

    public const LAUNCH_DEG = [3.0, 25.0];

    public const SPIN_RPM = [1000.0, 6000.0];

    public static function covers(Launch $launch): bool
    {
        $within = static fn (float $value, array $range): bool => $value >= $range[0] && $value <= $range[1];

        return $within($launch->ballSpeedMps, self::BALL_SPEED_MPS) && $within($launch->launchDeg, self::LAUNCH_DEG)
            && $within($launch->spinRpm, self::SPIN_RPM);
    }
}
