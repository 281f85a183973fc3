<?php

declare(strict_types=1);

namespace MintCarry\Core\Flight;

/**
 * One computed flight and run. Lengths in metres, + right; `carryM` and `totalM` are distances along the target line.
 * `curveM` is the landing offset from the straight start line; `sideM` from the target line.
 */
final readonly class Flight
{
    /** @param  list<array{float, float, float, float}>  $points [time s, along m, right m, up m] */
    public function __construct(
        public float $carryM,
        public float $totalM,
        public float $sideM,
        public float $curveM,
        public float $totalSideM,
        public float $apexM,
        public float $apexAtM,
        public float $descentDeg,
        public float $hangTimeS,
        public float $landingSpeedMps,
        public float $landingSpinRpm,
        public array $points = [],
    ) {
    }

    public function runM(): float
    {
        return $this->totalM - $this->carryM;
    }
}
