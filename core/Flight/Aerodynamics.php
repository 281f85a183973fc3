<?php

declare(strict_types=1);

namespace MintCarry\Core\Flight;

use MintCarry\Core\Errors\InvalidInput;

/**
 * Drag and lift of a golf ball as functions of the spin ratio S = ω r sin ψ / |u|:
 *   CD = 0.1625 + 0.622 S,   CL = 0.078 (1 − e^(−S/0.01)) + 0.885 S, capped at 0.5.
 * Linear-in-S form: Quintavalla 2002 (from memory). The constant terms were fitted to the calibration rows of docs/physics.md.
 * Spin decay: dω/dt = −2.0e-5 ω |u| / r (Smits & Smith 1994, from memory).
 *
 * `dragOffset` and `liftOffset` move the constant terms to make predictions agree with one bay's monitor.
 */
final readonly class Aerodynamics
{
    public const BALL_MASS_KG = 0.04593;

    public const BALL_RADIUS_M = 0.021335;

    public const GRAVITY_MPS2 = 9.80665;

    public const DRAG_CONSTANT = 0.1625;

    public const DRAG_PER_SPIN_RATIO = 0.622;

    public const LIFT_CONSTANT = 0.078;

    public const LIFT_PER_SPIN_RATIO = 0.885;

    public const LIFT_ONSET = 0.01;

    public const LIFT_CAP = 0.5;

    public const SPIN_DECAY = 2.0e-5;

    public function __construct(public float $dragOffset = 0.0, public float $liftOffset = 0.0)
    {
        InvalidInput::requireWithin('dragOffset', $dragOffset, -0.1, 0.2);
        InvalidInput::requireWithin('liftOffset', $liftOffset, -0.07, 0.2);
    }

    public function drag(float $spinRatio): float
    {
        return self::DRAG_CONSTANT + $this->dragOffset + self::DRAG_PER_SPIN_RATIO * $spinRatio;
    }

    public function lift(float $spinRatio): float
    {
        return min(
            self::LIFT_CAP,
            (self::LIFT_CONSTANT + $this->liftOffset) * (1 - exp(-$spinRatio / self::LIFT_ONSET)) +
                self::LIFT_PER_SPIN_RATIO * $spinRatio,
        );
    }
}
