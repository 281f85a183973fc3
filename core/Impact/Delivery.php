<?php

declare(strict_types=1);

namespace MintCarry\Core\Impact;

use MintCarry\Core\CoreException;

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
        CoreException::requireWithin('clubSpeedMps', $clubSpeedMps, 5, 80, 'm/s');
        CoreException::requireWithin('attackDeg', $attackDeg, -25, 25, '°');
        CoreException::requireWithin('pathDeg', $pathDeg, -30, 30, '°');
        CoreException::requireWithin('dynamicLoftDeg', $dynamicLoftDeg, -10, 45, '°');
        CoreException::requireWithin('faceDeg', $faceDeg, -30, 30, '°');
    }
}
