<?php

declare(strict_types=1);

namespace MintCarry\Core\Flight;

use MintCarry\Core\Errors\InvalidInput;

/**
 * Drag and lift of a golf ball as functions of the spin ratio S = ω r sin ψ / |u| and the Reynolds number Re = 2 r ρ |u| / μ:
 *   CL = 0.596 S / √(S + 0.0268),   CD = 0.1908 + 2.33 CL² 10⁵ / (Re + 3·10⁴).
 * Four of the constants are fitted to the rows of tests/reference/tour-averages.csv and common-practice.csv by
 * tests/reference/flight_law.py; what else was tried and what is left over stands in docs/physics.md. Both are smooth everywhere;
 * lift grows with the root of the spin, as in the wind tunnel it grows ever less (Bearman & Harvey 1976, from memory). The 3·10⁴ keeps the drag bounded where a ball
 * almost stands still; it is about a third of the Reynolds number of a landing.
 * Spin decay: dω/dt = −2.0e-5 ω |u| / r (Smits & Smith 1994, from memory).
 *
 * `dragOffset` is added to the drag, `liftOffset` to the factor of the lift, and the spin is taken as (1 + `spinOffset`) times what
 * was read: they make predictions agree with one bay's monitor.
 */
final readonly class Aerodynamics
{
    public const BALL_MASS_KG = 0.04593;

    public const BALL_RADIUS_M = 0.021335;

    public const GRAVITY_MPS2 = 9.80665;

    public const DRAG_CONSTANT = 0.1908;

    /** Drag that lift brings with it, at a Reynolds number of 7·10⁴. */
    public const DRAG_OF_LIFT = 2.33;

    public const REYNOLDS = 1e5;

    public const REYNOLDS_SLOW = 3e4;

    public const LIFT_OF_SPIN = 0.596;

    /** Below this spin ratio lift grows with spin, above it with the root of it. */
    public const LIFT_ONSET = 0.0268;

    public const SPIN_DECAY = 2.0e-5;

    public function __construct(public float $dragOffset = 0.0, public float $liftOffset = 0.0, public float $spinOffset = 0.0)
    {
        InvalidInput::requireWithin('dragOffset', $dragOffset, -0.1, 0.2);
        InvalidInput::requireWithin('liftOffset', $liftOffset, -0.2, 0.4);
        InvalidInput::requireWithin('spinOffset', $spinOffset, -0.5, 0.5);
    }

    /** Drag coefficient at a spin ratio and a Reynolds number. */
    public function drag(float $spinRatio, float $reynolds = self::REYNOLDS): float
    {
        return self::DRAG_CONSTANT + $this->dragOffset
            + self::DRAG_OF_LIFT * $this->lift($spinRatio) ** 2 * self::REYNOLDS / ($reynolds + self::REYNOLDS_SLOW);
    }

    /** Lift coefficient at a spin ratio. */
    public function lift(float $spinRatio): float
    {
        return (self::LIFT_OF_SPIN + $this->liftOffset) * $spinRatio / sqrt($spinRatio + self::LIFT_ONSET);
    }
}
