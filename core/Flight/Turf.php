<?php

declare(strict_types=1);

namespace MintCarry\Core\Flight;

/**
 * How the ground takes the ball. Medium: Penner 2002, "The run of a golf ball" (from memory), with the turf-tilt factor
 * and loss fitted to five observed runs; soft and firm are assumptions either side of it.
 */
enum Turf: string
{
    case Soft = 'soft';
    case Medium = 'medium';
    case Firm = 'firm';

    public function restitutionFactor(): float
    {
        return match ($this) {
            self::Soft => 0.85, self::Medium => 1.0, self::Firm => 1.15
        };
    }

    public function tiltFactor(): float
    {
        return match ($this) {
            self::Soft => 0.68, self::Medium => 0.52, self::Firm => 0.38
        };
    }

    /** Share of horizontal speed and spin that each bounce loses beyond the impulse itself. */
    public function bounceLoss(): float
    {
        return match ($this) {
            self::Soft => 0.194, self::Medium => 0.145, self::Firm => 0.11
        };
    }

    public function rollingResistance(): float
    {
        return match ($this) {
            self::Soft => 0.40, self::Medium => 0.30, self::Firm => 0.22
        };
    }

    public function friction(): float
    {
        return 0.4;
    }
}
