<?php

declare(strict_types=1);

namespace MintCarry\Core\Flight;

use MintCarry\Core\Errors\InvalidInput;

/**
 * How the ball leaves the face. Direction and axis are seen from behind the ball, + = right, whatever the player's hand.
 */
final readonly class Launch
{
    /** @throws InvalidInput for values no driver shot can have */
    public function __construct(
        public float $ballSpeedMps,
        public float $launchDeg,
        public float $spinRpm,
        public float $directionDeg = 0.0,
        public float $spinAxisDeg = 0.0,
    ) {
        InvalidInput::requireWithin('ballSpeedMps', $ballSpeedMps, 1, 120, 'm/s');
        InvalidInput::requireWithin('launchDeg', $launchDeg, -30, 89, '°');
        InvalidInput::requireWithin('spinRpm', $spinRpm, 0, 15000, 'rpm');
        InvalidInput::requireWithin('directionDeg', $directionDeg, -90, 90, '°');
        InvalidInput::requireWithin('spinAxisDeg', $spinAxisDeg, -90, 90, '°');
    }
}
