<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use function max;

/**
 * From where on a drive is a low runner or a balloon for this player: apex and descent held against those that the brief wants, and
 * what such a drive loses against the target. The shares and degrees are common practice, no source.
 */
final readonly class FlightLimits
{
    private const LOW_SHARE = 0.6;

    private const HIGH_SHARE = 1.4;

    private const FLATTER_DEG = 12.0;

    private const STEEPER_DEG = 9.0;

    /** @param  float  $lowLossM  of total length against the target */
    private function __construct(
        public float $lowApexM, public float $lowDescentDeg, public float $highApexM, public float $highDescentDeg, public float $lowLossM,
        public float $balloonLossM,
    ) {
    }

    public static function of(FlightTarget $target): self
    {
        $wanted = $target->nearestApex($target->wantedApexM);
        [$low, $high] = [$target->wantedApexM * self::LOW_SHARE, $target->wantedApexM * self::HIGH_SHARE];

        return new self(
            $low, $wanted['descentDeg'] - self::FLATTER_DEG, $high, $wanted['descentDeg'] + self::STEEPER_DEG,
            max(0.0, $wanted['totalM'] - $target->nearestApex($low)['totalM']),
            max(0.0, $wanted['totalM'] - $target->nearestApex($high)['totalM']),
        );
    }
}
