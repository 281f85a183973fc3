<?php

declare(strict_types=1);

namespace MintCarry\Core\Judging;

use MintCarry\Core\Club\SetupSpec;

use function abs;
use function hypot;
use function sqrt;

/**
 * What a change of setup does to the delivery before anybody hit it: how far loft and face of the club reach the ball, and what a millimetre of CG does. Priors with honest
 * widths (docs/judging.md, "The model"; common practice, no source): a change of loft carries through by 0.2 (soled) to 0.9 (squared) ± 0.33, of face by 0.6 (soled) to 0.15 (squared) ± 0.45; CG back adds
 * 0.35 ± 0.15 °/mm of delivered loft within a head and 0.35 of that between heads, CG toward the toe opens by 0.10 ± 0.045 °/mm; another head brings ± 0.64° of loft and ± 0.8° of face of its own, any other setup ± 0.36° and ± 0.42°.
 */
final readonly class CarryThrough
{
    public const HEAD_LOFT_SD_DEG = 0.64;

    public const HEAD_FACE_SD_DEG = 0.8;

    public const QUIRK_LOFT_SD_DEG = 0.36;

    public const QUIRK_FACE_SD_DEG = 0.42;

    private function __construct(public float $loftDeg, public float $loftSdDeg, public float $faceRightDeg, public float $faceSdDeg)
    {
    }

    /** @param  float  $squares  how far the player squares the face at address, 0 … 1 */
    public static function predict(SetupSpec $from, SetupSpec $to, float $squares): self
    {
        $same = $to->isSameHeadAs($from);
        $loft = $to->squaredLoftDeg - $from->squaredLoftDeg;
        $face = $to->soledFaceOpenDeg - $from->soledFaceOpenDeg;
        $back = ($to->body->cgBackMm - $from->body->cgBackMm) * ($same ? 1.0 : 0.35);
        $toe = $to->body->cgToeMm - $from->body->cgToeMm;

        return new self(
            (0.2 + 0.7 * $squares) * $loft + 0.35 * $back,
            sqrt((0.33 * $loft) ** 2 + (0.15 * $back) ** 2 + self::QUIRK_LOFT_SD_DEG ** 2 + ($same ? 0.0 : self::HEAD_LOFT_SD_DEG ** 2)),
            $to->hand->sign() * ((0.6 - 0.45 * $squares) * $face + 0.10 * $toe),
            sqrt((0.45 * $face) ** 2 + (0.045 * $toe) ** 2 + self::QUIRK_FACE_SD_DEG ** 2 + ($same ? 0.0 : self::HEAD_FACE_SD_DEG ** 2)),
        );
    }

    /** Is a change of loft or face expected that is more than a quirk? */
    public function isChange(): bool
    {
        return hypot($this->loftDeg, abs($this->faceRightDeg)) > self::QUIRK_LOFT_SD_DEG;
    }
}
