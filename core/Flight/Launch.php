<?php

declare(strict_types=1);

namespace MintCarry\Core\Flight;

use MintCarry\Core\Errors\InvalidInput;

use function abs;
use function cos;
use function deg2rad;

/**
 * How the ball leaves the face. Direction and axis are seen from behind the ball, + = right, whatever the player's hand. An axis
 * beyond ±90° is topspin: a topped ball has it.
 */
final readonly class Launch
{
    /** A driver that launches the ball higher than this popped it up, ° (assumption). */
    private const POPPED_UP_DEG = 30.0;

    /**
     * @param  bool  $struck  from the impact model, which also knows topspin and other strikes that no monitor reports
     *
     * @throws InvalidInput for values no driver shot can have
     */
    public function __construct(
        public float $ballSpeedMps,
        public float $launchDeg,
        public float $spinRpm,
        public float $directionDeg = 0.0,
        public float $spinAxisDeg = 0.0,
        bool $struck = false,
    ) {
        InvalidInput::requireWithin('ballSpeedMps', $ballSpeedMps, $struck ? 0.01 : 1, $struck ? 140 : 120, 'm/s');
        InvalidInput::requireWithin('launchDeg', $launchDeg, -30, 89, '°');
        InvalidInput::requireWithin('spinRpm', $spinRpm, 0, $struck ? 25000 : 15000, 'rpm');
        InvalidInput::requireWithin('directionDeg', $directionDeg, -90, 90, '°');
        InvalidInput::requireWithin('spinAxisDeg', $spinAxisDeg, $struck ? -180 : -90, $struck ? 180 : 90, '°');
    }

    /** Topped, popped up, or null for a ball that flew. */
    public function flag(): ?LaunchFlag
    {
        return match (true) {
            $this->launchDeg < 0 || abs($this->spinAxisDeg) > 90 => LaunchFlag::Topped,
            $this->launchDeg > self::POPPED_UP_DEG => LaunchFlag::PoppedUp,
            default => null,
        };
    }

    /** Spin that lifts the ball, rpm: backspin +, topspin −. */
    public function backspinRpm(): float
    {
        return $this->spinRpm * cos(deg2rad($this->spinAxisDeg));
    }
}
