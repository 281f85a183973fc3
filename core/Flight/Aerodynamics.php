<?php

declare(strict_types=1);

namespace MintCarry\Core\Flight;

use MintCarry\Core\Errors\InvalidInput;

use function array_keys;
use function array_map;
use function max;
use function min;

/**
 * Drag and lift of a golf ball as functions of the spin ratio S = ω r sin ψ / |u| and the Reynolds number Re = 2 r ρ |u| / μ:
 *   CL = lift S / (S + half),   CD = drag + S² / (S² + knee²) (ofSpin + ofCrisis / (crisis⁴ + (Re / 10⁵)⁴)).
 * Lift levels off as the ball spins more (Bearman & Harvey 1976, from memory). What spin adds to the drag levels off too, and is
 * greater where the ball is slow enough for the crisis of its drag. The seven constants are fitted to the rows of
 * tests/reference/*.csv by tests/reference/flight_law.py; what else was tried and what is left over stands in docs/physics.md.
 * Spin decay: dω/dt = −2.0e-5 ω |u| / r (Smits & Smith 1994, from memory).
 *
 * The constants are known with a covariance, and move together along a few ways: one step along each is one SD. What a bay's monitor
 * asks for is said in these steps (`Calibration`). A ball may have a drag and a lift of its own, as factors; and the spin is taken
 * as (1 + `spinOffset`) times what was read.
 */
final readonly class Aerodynamics
{
    public const BALL_MASS_KG = 0.04593;

    public const BALL_RADIUS_M = 0.021335;

    public const GRAVITY_MPS2 = 9.80665;

    public const SPIN_DECAY = 2.0e-5;

    /** drag, lift, half, knee, drag of spin, drag of the crisis, its Reynolds number by 10⁵. */
    public const LAW = [0.1619, 0.5031, 0.1981, 0.1203, 0.1376, 0.0455, 0.4759];

    /**
     * By how much a step along each way moves the constants: three of the fit's covariance, then what a ball or a monitor may make
     * of them, 3 % of all drag and 4 % of lift (assumptions).
     */
    public const WAYS = [
        [-0.0058, -0.1384, -0.1048, -0.043, -0.0124, -0.0309, -0.2882],
        [0.0029, 0.0109, 0.0096, -0.0004, 0.0013, -0.0081, -0.0609],
        [-0.004, 0.0009, -0.0012, -0.0082, 0.0039, -0.0048, -0.057],
        [0.004857, 0.0, 0.0, 0.0, 0.004128, 0.001365, 0.0],
        [0.0, 0.020124, 0.0, 0.0, 0.0, 0.0, 0.0],
    ];

    /** The widths of the last two, as shares: what a make of ball may do of its own (assumptions). */
    public const BALL_SHARES = [0.03, 0.04];

    private const OF_THE_FIT = 3;

    /** No constant comes nearer to nothing than this share of itself. */
    private const LEAST_SHARE = 0.2;

    public float $drag;

    public float $lift;

    /** Spin ratio at which lift is half of what it can be. */
    public float $liftHalf;

    /** Spin ratio at which the drag of spin is half of what it can be. */
    public float $knee;

    public float $dragOfSpin;

    public float $dragOfCrisis;

    /** Reynolds number by 10⁵ below which the crisis adds no more. */
    public float $crisis;

    /** @var list<list<float>> what is still open of the ways: steps along each, column by column of a root of their covariance */
    public array $open;

    /**
     * @param  list<float>  $ways  steps along each way, SD
     * @param  list<list<float>>|null  $open  of the ways; null as the fit leaves them: one step each
     *
     * @throws InvalidInput where a step lies beyond 12, a spin offset beyond 0.5, or a factor beyond 0 … 3
     */
    public function __construct(
        public array $ways = [0.0, 0.0, 0.0, 0.0, 0.0], public float $spinOffset = 0.0, ?array $open = null,
        public float $dragFactor = 1.0, public float $liftFactor = 1.0,
    ) {
        InvalidInput::requireWithin('spinOffset', $spinOffset, -0.5, 0.5);
        InvalidInput::requireWithin('dragFactor', $dragFactor, 0, 3);
        InvalidInput::requireWithin('liftFactor', $liftFactor, 0, 3);
        $law = self::LAW;
        foreach (self::WAYS as $k => $way) {
            InvalidInput::requireWithin('ways', $ways[$k], -12, 12);
            foreach ($way as $i => $by) {
                $law[$i] += $ways[$k] * $by;
            }
        }
        foreach (self::LAW as $i => $usual) {
            $law[$i] = max(self::LEAST_SHARE * $usual, $law[$i]);
        }
        $this->drag = $dragFactor * $law[0];
        $this->lift = $liftFactor * $law[1];
        [$this->liftHalf, $this->knee] = [$law[2], $law[3]];
        $this->dragOfSpin = $dragFactor * $law[4];
        $this->dragOfCrisis = $dragFactor * $law[5];
        $this->crisis = $law[6];
        $this->open = $open ?? self::untold();
    }

    /** One more step along what is open of the k-th way: what the same flight may be instead. */
    public function moved(int $k): self
    {
        $ways = array_map(static fn (float $is, float $by): float => max(-12.0, min(12.0, $is + $by)), $this->ways, $this->open[$k]);

        return new self($ways, $this->spinOffset, $this->open, $this->dragFactor, $this->liftFactor);
    }

    /** The law for a ball with a drag and a lift of its own. */
    public function ofBall(BallFactors $ball): self
    {
        return new self($this->ways, $this->spinOffset, $this->open, $this->dragFactor * $ball->drag, $this->liftFactor * $ball->lift);
    }

    /** @return array<string, mixed> what makes it anew */
    public function toArray(): array
    {
        return [
            'ways' => $this->ways, 'spinOffset' => $this->spinOffset, 'open' => $this->open, 'dragFactor' => $this->dragFactor,
            'liftFactor' => $this->liftFactor,
        ];
    }

    /** By how much the drag of a ball without spin lies off the law. */
    public function dragOffset(): float
    {
        return $this->drag - self::LAW[0];
    }

    /** By how much the most lift that spin can bring lies off the law. */
    public function liftOffset(): float
    {
        return $this->lift - self::LAW[1];
    }

    /** Drag coefficient at a spin ratio and a Reynolds number. */
    public function drag(float $spinRatio, float $reynolds): float
    {
        $bow = $spinRatio ** 2 / ($spinRatio ** 2 + $this->knee ** 2);

        return $this->drag + $bow * ($this->dragOfSpin + $this->dragOfCrisis / ($this->crisis ** 4 + ($reynolds / 1e5) ** 4));
    }

    /** Lift coefficient at a spin ratio. */
    public function lift(float $spinRatio): float
    {
        return $this->lift * $spinRatio / ($spinRatio + $this->liftHalf);
    }

    /** @return list<list<float>> one step along each way of the fit: a ball of which nobody knows is a usual one */
    private static function untold(): array
    {
        $out = [];
        for ($k = 0; $k < self::OF_THE_FIT; $k++) {
            $out[] = array_map(static fn (int $of): float => $of === $k ? 1.0 : 0.0, array_keys(self::WAYS));
        }

        return $out;
    }
}
