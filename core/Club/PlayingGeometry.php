<?php

declare(strict_types=1);

namespace MintCarry\Core\Club;

/**
 * What the head presents after the sleeve: playing loft, face and lie under a named address habit.
 *
 * Geometry (docs/physics.md, "Sleeve"): the sleeve tilts the shaft in the head by τ at clock φ (0 upright, 90 toward the
 * target). Soled, the head keeps its loft and the face turns by −τ sin φ / cos L. Squared, the grip is turned until
 * the face looks at the target, so the face is square and the loft changes by +τ sin φ / sin L. Turning a face that sits ψ open
 * back to square takes ψ cot L off the loft, which is also what the head's own face angle costs when squared.
 * Linear form: exact to 0.05° for the 1–2° that sleeves have (the exact rotations belong to the sleeve's own tilts).
 */
final readonly class PlayingGeometry
{
    private function __construct(
        public float $loftDeg,
        public float $faceOpenDeg,
        public float $lieDeg,
        public AddressHabit $habit,
    ) {
    }

    public static function of(HeadReading $head, SleeveChange $change, AddressHabit $habit): self
    {
        $lie = deg2rad($head->lieDeg);
        // From a loft change printed for a squared face to the face that the same tilt shows when soled, and back.
        $faceFromLoft = -tan($lie);
        $soledFace = $change->faceOpenDeg ?? ($change->loftDeg ?? 0.0) * $faceFromLoft;
        $squaredLoft = $change->loftDeg ?? ($change->faceOpenDeg ?? 0.0) / $faceFromLoft;
        $lieDeg = $head->lieDeg + ($change->lieDeg ?? 0.0);

        if ($habit === AddressHabit::Soled) {
            return new self($head->loftDeg, $head->faceOpenDeg + $soledFace, $lieDeg, $habit);
        }

        return new self($head->loftDeg + $squaredLoft - $head->faceOpenDeg / tan($lie), 0.0, $lieDeg, $habit);
    }
}
