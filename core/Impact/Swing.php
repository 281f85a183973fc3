<?php

declare(strict_types=1);

namespace MintCarry\Core\Impact;

use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Flight\LaunchFlag;

use function max;

/**
 * A swing as the impact model takes it, and what of the ball the model does not explain.
 *
 * Path and face + = right, strike + = toward the toe and high. Where swings are computed with by the thousand they are lists in
 * this order; the constants name the places.
 */
final readonly class Swing
{
    public const CLUB_SPEED = 0;

    public const ATTACK = 1;

    public const PATH = 2;

    public const LOFT = 3;

    public const FACE = 4;

    public const TOE = 5;

    public const HIGH = 6;

    public const RESTITUTION = 7;

    public const SPIN_SHARE = 8;

    /** Values that scatter from swing to swing: all but the last two. */
    public const SCATTERING = 7;

    /**
     * Steps by which the models are differentiated along the values that scatter: m/s, °, °, °, °, mm, mm. Those of the strike are a
     * little more than its usual scatter, since the ball speed lost over the face is no parabola.
     */
    public const STEP = [0.3, 0.5, 0.5, 0.5, 0.5, 9.0, 7.0];

    /**
     * A ball leaves at about (1 + restitution) × club speed; a change of restitution works on this sum (the usual one,
     * docs/physics.md).
     */
    private const ONE_PLUS_RESTITUTION = 1.87;

    private const LEAST_SPIN_RPM = 300.0;

    /**
     * @param  float  $loftDeg  dynamic loft
     * @param  float  $restitution  added to the head's
     * @param  float  $spinShare  added to the spin, as a share of it
     */
    public function __construct(
        public float $clubSpeedMps,
        public float $attackDeg,
        public float $pathDeg,
        public float $loftDeg,
        public float $faceDeg,
        public float $toeMm,
        public float $highMm,
        public float $restitution = 0.0,
        public float $spinShare = 0.0,
    ) {
    }

    /** @param  array<int, float>  $values  seven or nine, in the order of the constants */
    public static function of(array $values): self
    {
        return new self(
            $values[0], $values[1], $values[2], $values[3], $values[4], $values[5], $values[6], $values[7] ?? 0.0,
            $values[8] ?? 0.0,
        );
    }

    /**
     * The ball by the impact model alone.
     *
     * @return Launch|null null where the model takes no such swing, and for a topped ball, of which a monitor sees nothing
     */
    public function strike(Impact $impact): ?Launch
    {
        try {
            $ball = $impact->strike(
                new Delivery($this->clubSpeedMps, $this->attackDeg, $this->pathDeg, $this->loftDeg, $this->faceDeg),
                new Strike($this->toeMm, $this->highMm),
            );

            return $ball->flag() === LaunchFlag::Topped ? null : $ball;
        } catch (InvalidInput) {
            return null;
        }
    }

    /**
     * The ball with what the impact model does not explain.
     *
     * @return Launch|null null where the model takes no such swing
     */
    public function launch(Impact $impact): ?Launch
    {
        $ball = $this->strike($impact);
        if ($ball === null) {
            return null;
        }
        try {
            return new Launch(
                $ball->ballSpeedMps * (1 + $this->restitution / self::ONE_PLUS_RESTITUTION),
                $ball->launchDeg,
                max(self::LEAST_SPIN_RPM, $ball->spinRpm * (1 + $this->spinShare)),
                $ball->directionDeg,
                $ball->spinAxisDeg,
                struck: true,
            );
        } catch (InvalidInput) {
            return null;
        }
    }

    /**
     * The ball by field.
     *
     * @return array{ballSpeedMps: float, launchDeg: float, spinRpm: float, directionDeg: float, spinAxisDeg: float}|null
     */
    public function ball(Impact $impact): ?array
    {
        $launch = $this->launch($impact);

        return $launch === null ? null : [
            'ballSpeedMps' => $launch->ballSpeedMps, 'launchDeg' => $launch->launchDeg, 'spinRpm' => $launch->spinRpm,
            'directionDeg' => $launch->directionDeg, 'spinAxisDeg' => $launch->spinAxisDeg,
        ];
    }

    /** Change of the ball's speed for a change of restitution, m/s. */
    public static function speedPerRestitution(float $ballSpeedMps): float
    {
        return $ballSpeedMps / self::ONE_PLUS_RESTITUTION;
    }
}
