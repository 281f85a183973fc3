<?php

declare(strict_types=1);

namespace MintCarry\Core\Impact;

use MintCarry\Core\Errors\InvalidInput;

use function acos;
use function cos;
use function deg2rad;
use function max;
use function min;
use function rad2deg;
use function sin;

/** How the head arrives. Attack + up; path and face + right for the viewer, whatever the hand. */
final readonly class Delivery
{
    public function __construct(
        public float $clubSpeedMps,
        public float $attackDeg,
        public float $pathDeg,
        public float $dynamicLoftDeg,
        public float $faceDeg,
    ) {
        InvalidInput::requireWithin('clubSpeedMps', $clubSpeedMps, 5, 80, 'm/s');
        InvalidInput::requireWithin('attackDeg', $attackDeg, -25, 25, '°');
        InvalidInput::requireWithin('pathDeg', $pathDeg, -30, 30, '°');
        InvalidInput::requireWithin('dynamicLoftDeg', $dynamicLoftDeg, -10, 45, '°');
        InvalidInput::requireWithin('faceDeg', $faceDeg, -30, 30, '°');
    }

    /** Angle between the path of the head and the face normal, in three dimensions. */
    public function spinLoftDeg(): float
    {
        $vector = static fn (float $up, float $right): array => [
            cos(deg2rad($up)) * cos(deg2rad($right)), cos(deg2rad($up)) * sin(deg2rad($right)), sin(deg2rad($up)),
        ];
        $p = $vector($this->attackDeg, $this->pathDeg);
        $n = $vector($this->dynamicLoftDeg, $this->faceDeg);

        return rad2deg(acos(max(-1.0, min(1.0, $p[0] * $n[0] + $p[1] * $n[1] + $p[2] * $n[2]))));
    }
}
