<?php

declare(strict_types=1);

namespace MintCarry\Core\Club;

use MintCarry\Core\CoreException;

/**
 * A driver head as a rigid body. Distances from the face centre in mm: + toe, + back, + up. Inertia in 1e-6 kg m² (10 g·cm²)
 * about the CG, on the axes target, heel–toe, vertical. Restitutions are effective values for our club-speed definition,
 * never a catalogue figure (docs/physics.md, "Impact").
 */
final readonly class Head
{
    /** @param  array{float, float, float}  $inertia principal moments on the axes target, heel–toe, vertical */
    public function __construct(
        public float $loftDeg = 10.5,
        public float $massG = 202.0,
        public float $cgToeMm = 0.0,
        public float $cgBackMm = 35.0,
        public float $cgUpMm = -4.0,
        public array $inertia = [280.0, 330.0, 490.0],
        public float $bulgeRadiusMm = 305.0,
        public float $rollRadiusMm = 305.0,
        public float $effectiveRestitution = 0.87,
        public float $tangentialRestitution = -0.32,
    ) {
        CoreException::requireWithin('loftDeg', $loftDeg, 4, 20, '°');
        CoreException::requireWithin('massG', $massG, 150, 250, 'g');
        CoreException::requireWithin('bulgeRadiusMm', $bulgeRadiusMm, 100, 10000, 'mm');
        CoreException::requireWithin('rollRadiusMm', $rollRadiusMm, 100, 10000, 'mm');
        CoreException::requireWithin('effectiveRestitution', $effectiveRestitution, 0, 1);
        CoreException::requireWithin('tangentialRestitution', $tangentialRestitution, -1, 1);
        foreach ($inertia as $moment) {
            CoreException::requireWithin('inertia', $moment, 50, 1000, 'e-6 kg m²');
        }
    }

    /** Typical heads, marked as assumed wherever they are used (assumption; no source). */
    public static function preset(string $type, float $loftDeg = 10.5): self
    {
        return match ($type) {
            'forgiving' => new self($loftDeg, 203, 0, 40, -3.5, [300, 390, 540]),
            'middle' => new self($loftDeg, 202, 0, 35, -4.0, [280, 330, 490]),
            'low-spin' => new self($loftDeg, 200, 0, 29, -4.5, [250, 270, 440]),
            default => throw CoreException::invalid('preset', "'{$type}' is not a head preset; use forgiving, middle or low-spin."),
        };
    }

    /**
     * Loft and face (open +) at a strike point, from roll and bulge, in degrees.
     *
     * @return array{float, float}
     */
    public function faceAt(float $toeMm, float $highMm): array
    {
        return [$this->loftDeg + rad2deg($highMm / $this->rollRadiusMm), rad2deg($toeMm / $this->bulgeRadiusMm)];
    }
}
