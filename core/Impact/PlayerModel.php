<?php

declare(strict_types=1);

namespace MintCarry\Core\Impact;

use MintCarry\Core\Errors\InvalidInput;

/**
 * A made-up player: mean delivery and strike with the setup they are used to, spreads, how a setup's change reaches the ball, and
 * how the swing changes through a session. Path and face + right for the viewer; strike hand-relative. Default spreads and
 * factors: docs/physics.md, docs/judging.md (assumptions).
 */
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
        /** Spreads (SD) from swing to swing. */
        public float $clubSpeedSdMps = PlayerPriors::SCATTER_SD[Swing::CLUB_SPEED],
        public float $attackSdDeg = PlayerPriors::SCATTER_SD[Swing::ATTACK],
        public float $pathSdDeg = PlayerPriors::SCATTER_SD[Swing::PATH],
        public float $faceSdDeg = PlayerPriors::SCATTER_SD[Swing::FACE],
        public float $dynamicLoftSdDeg = PlayerPriors::SCATTER_SD[Swing::LOFT],
        public float $toeSdMm = 6.0,
        public float $highSdMm = 5.0,
        /** Correlation of face and path from swing to swing. */
        public float $faceWithPath = PlayerPriors::FACE_WITH_PATH,
        /** How far a change of presented loft and face reaches the delivery. */
        public float $loftCarriesThrough = 1.0,
        public float $faceCarriesThrough = PlayerPriors::FACE_CARRY_SOLED,
        /** How far the player squares the face, 0 … 1. */
        public float $squares = 0.5,
        /** Delivered loft per mm of CG back; delivered face (open) per mm of CG toward the toe. */
        public float $loftPerMmBack = PlayerPriors::LOFT_PER_CG_BACK_MM,
        public float $openPerMmToe = PlayerPriors::OPEN_PER_CG_TOE_MM,
        /** Size of each head's own effect, 0 = none, 1 = usual (strike 2.4 mm, spin 5.6 %, ball speed 0.6 %). */
        public float $headPeculiarity = 0.0,
        /** Swings until warm; speed is down by 3 % at the first. */
        public int $warmUpSwings = 0,
        /** Loss of club speed per swing after the twentieth, share. */
        public float $tiringPerSwing = 0.0,
        /** How much of a visible change of face the player steers against, 0 … 1. */
        public float $steersAgainstFace = 0.0,
    ) {
        foreach (
            [
                'clubSpeedSdMps' => $clubSpeedSdMps, 'attackSdDeg' => $attackSdDeg, 'pathSdDeg' => $pathSdDeg,
                'faceSdDeg' => $faceSdDeg, 'dynamicLoftSdDeg' => $dynamicLoftSdDeg, 'toeSdMm' => $toeSdMm, 'highSdMm' => $highSdMm,
            ] as $name => $sd
        ) {
            InvalidInput::requireWithin($name, $sd, 0, 20);
        }
        foreach (
            [
                'looseness' => [$looseness, 0, 5], 'mishitShare' => [$mishitShare, 0, 1],
                'faceWithPath' => [$faceWithPath, -0.95, 0.95], 'loftCarriesThrough' => [$loftCarriesThrough, -1, 3],
                'faceCarriesThrough' => [$faceCarriesThrough, -1, 3], 'squares' => [$squares, 0, 1],
                'headPeculiarity' => [$headPeculiarity, 0, 5], 'tiringPerSwing' => [$tiringPerSwing, 0, 0.05],
                'steersAgainstFace' => [$steersAgainstFace, 0, 1],
            ] as $name => [$value, $low, $high]
        ) {
            InvalidInput::requireWithin($name, $value, $low, $high);
        }
    }
}
