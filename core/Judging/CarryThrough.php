<?php

declare(strict_types=1);

namespace MintCarry\Core\Judging;

use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Impact\PlayerPriors;

use function sqrt;

/**
 * What a change of setup does to the delivery before anybody hit it: how far loft and face of the club reach the ball, and what a
 * millimetre of CG does. Priors with honest widths (docs/judging.md, "The model"; common practice, no source): a change of loft
 * by the sleeve carries through by 0.2 (soled) to 0.9 (squared) ± 0.33, what the head itself has more by 1 ± 0.2, of face by 0.6 (soled)
 * to 0.15 (squared) ± 0.45; CG back adds
 * 0.35 ± 0.15 °/mm of delivered loft within a head and 0.35 of that between heads, CG toward the toe opens by 0.10 ± 0.045 °/mm;
 * another head brings ± 0.64° of loft and ± 0.8° of face of its own, any other setup ± 0.36° and ± 0.42°.
 */
final readonly class CarryThrough
{
    /** Places of loft and face among the effects of a head, and among the quirks of a setup. */
    private const LOFT = 1;

    private const FACE = 2;

    private function __construct(public float $loftDeg, public float $loftSdDeg, public float $faceRightDeg, public float $faceSdDeg)
    {
    }

    /** @param  float  $squaringShare  how far the player squares the face at address, 0 … 1 */
    public static function predict(SetupSpec $from, SetupSpec $to, float $squaringShare): self
    {
        $same = $to->model() === $from->model();
        $loft = $to->loftOver($from);
        $face = $to->soledFaceOpenDeg - $from->soledFaceOpenDeg;
        $back = ($to->body->cgBackMm - $from->body->cgBackMm) * ($same ? 1.0 : PlayerPriors::BETWEEN_HEADS);
        $toe = $to->body->cgToeMm - $from->body->cgToeMm;

        return new self(
            PlayerPriors::deliveredLoft($loft, $squaringShare) + PlayerPriors::LOFT_PER_CG_BACK_MM * $back,
            self::width(
                (PlayerPriors::LOFT_CARRY_SD * $loft['turned']) ** 2 + (PlayerPriors::HEAD_LOFT_CARRY_SD * $loft['head']) ** 2
                + (PlayerPriors::LOFT_PER_CG_BACK_MM_SD * $back) ** 2 + $to->printSdDeg ** 2, self::LOFT, $same,
            ),
            $to->hand->sign() * (PlayerPriors::faceCarryThrough($squaringShare) * $face + PlayerPriors::OPEN_PER_CG_TOE_MM * $toe),
            self::width((PlayerPriors::FACE_CARRY_SD * $face) ** 2 + (PlayerPriors::OPEN_PER_CG_TOE_MM_SD * $toe) ** 2, self::FACE, $same),
        );
    }

    /** Width with what a setup, and another head, do of their own. */
    private static function width(float $variance, int $place, bool $sameHead): float
    {
        return sqrt($variance + PlayerPriors::QUIRK_SD[$place] ** 2 + ($sameHead ? 0.0 : PlayerPriors::OWN_EFFECT_SD[$place] ** 2));
    }
}
