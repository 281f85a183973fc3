<?php

declare(strict_types=1);

namespace MintCarry\Core\Impact;

use MintCarry\Core\CoreException;

/** A made-up player: mean delivery and strike, their spreads, how often they mishit. Path and face + right for the viewer; strike hand-relative. */
final readonly class PlayerModel
{
    public function __construct(
        public float $clubSpeedMps = 44.0,
        public float $attackDeg = 0.0,
        public float $pathDeg = 0.0,
        public float $faceDeg = 0.0,
        public float $dynamicLoftDeg = 13.0,
        public float $toeMm = 0.0,
        public float $highMm = 0.0,
        /** Multiplies every spread; 1 is a steady club player. */
        public float $looseness = 1.0,
        public float $mishitShare = 0.05,
    ) {
        CoreException::requireWithin('looseness', $looseness, 0, 5);
        CoreException::requireWithin('mishitShare', $mishitShare, 0, 1);
    }
}
