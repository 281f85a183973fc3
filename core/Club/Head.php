<?php

declare(strict_types=1);

namespace MintCarry\Core\Club;

use MintCarry\Core\Errors\InvalidInput;

use function is_finite;
use function rad2deg;

/**
 * A driver head as a rigid body. Distances from the face centre in mm: + toe, + back, + up. Inertia tensor in g·cm² about the CG on
 * the axes target, toe-to-heel, up, for a head of either hand (10 g·cm² = 1e-6 kg·m²). Restitutions are effective values for our
 * club-speed definition, never a catalogue figure (docs/physics.md, "Impact").
 *
 * @phpstan-import-type Matrix from Matrix3
 */
final readonly class Head
{
    /** Kinds of head that what is unknown of one is taken from (`preset`). */
    public const PRESETS = ['forgiving', 'middle', 'low-spin'];

    /** At this distance from the face centre half of the fall is reached, mm. */
    public const FALL_REACH_MM = 40.0;

    /**
     * The hosel lies at the heel and above the CG: some 25 g, 55 mm and 35 mm from it, make this product of inertia of heel and up,
     * g·cm² (assumption). By it a strike toward the heel spins more than one toward the toe.
     */
    private const HOSEL_GCM2 = -500.0;

    public const MIDDLE_INERTIA_GCM2 = [[2800.0, 0.0, 0.0], [0.0, 3000.0, self::HOSEL_GCM2], [0.0, self::HOSEL_GCM2, 4900.0]];

    /**
     * @param  Matrix  $inertiaGcm2
     *
     * @throws InvalidInput when a value is not one a driver head can have, or the tensor is not positive definite
     */
    public function __construct(
        public float $loftDeg = 10.5,
        public float $massG = 202.0,
        public float $cgToeMm = 0.0,
        public float $cgBackMm = 35.0,
        public float $cgUpMm = -4.0,
        public array $inertiaGcm2 = self::MIDDLE_INERTIA_GCM2,
        public float $bulgeRadiusMm = 305.0,
        public float $rollRadiusMm = 305.0,
        public float $effectiveRestitution = 0.87,
        public float $tangentialRestitution = -0.324,
        public float $restitutionFall = 0.39,
    ) {
        InvalidInput::requireWithin('loftDeg', $loftDeg, 4, 20, '°');
        InvalidInput::requireWithin('massG', $massG, 50, 1e9, 'g');
        InvalidInput::requireWithin('cgToeMm', $cgToeMm, -40, 40, 'mm');
        InvalidInput::requireWithin('cgBackMm', $cgBackMm, 0, 80, 'mm');
        InvalidInput::requireWithin('cgUpMm', $cgUpMm, -30, 30, 'mm');
        InvalidInput::requireWithin('bulgeRadiusMm', $bulgeRadiusMm, 100, 1e7, 'mm');
        InvalidInput::requireWithin('rollRadiusMm', $rollRadiusMm, 100, 1e7, 'mm');
        InvalidInput::requireWithin('effectiveRestitution', $effectiveRestitution, 0, 1);
        InvalidInput::requireWithin('tangentialRestitution', $tangentialRestitution, -1, 1);
        InvalidInput::requireWithin('restitutionFall', $restitutionFall, 0, 0.6);
        self::requireTensor($inertiaGcm2);
    }

    /** Typical heads, marked as assumed wherever they are used (assumption; no source). */
    public static function preset(string $type, float $loftDeg = 10.5): self
    {
        $tensor = static fn (float $target, float $heelToe, float $up): array => [
            [$target, 0.0, 0.0], [0.0, $heelToe, self::HOSEL_GCM2], [0.0, self::HOSEL_GCM2, $up],
        ];

        return match ($type) {
            'forgiving' => new self($loftDeg, 203, 0, 40, -3.5, $tensor(3000, 3550, 5400), restitutionFall: 0.34),
            'middle' => new self($loftDeg, 202, 0, 35, -4.0),
            'low-spin' => new self($loftDeg, 200, 0, 29, -4.5, $tensor(2500, 2450, 4400), restitutionFall: 0.44),
            default => throw InvalidInput::of('preset', "'{$type}' is not a head preset; use forgiving, middle or low-spin."),
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

    /** Effective restitution at a strike, mm from the face centre. */
    public function restitutionAt(float $toeMm, float $highMm): float
    {
        $far = $toeMm * $toeMm + $highMm * $highMm;

        return $this->effectiveRestitution * (1 - $this->restitutionFall * $far / ($far + self::FALL_REACH_MM ** 2));
    }

    /** The same head that springs more or less. */
    public function withRestitution(float $effective): self
    {
        return new self(
            $this->loftDeg, $this->massG, $this->cgToeMm, $this->cgBackMm, $this->cgUpMm, $this->inertiaGcm2, $this->bulgeRadiusMm,
            $this->rollRadiusMm, $effective, $this->tangentialRestitution, $this->restitutionFall,
        );
    }

    /** The same head with grams at its CG: tape on the sole changes little else. */
    public function heavier(float $grams): self
    {
        return new self(
            $this->loftDeg, $this->massG + $grams, $this->cgToeMm, $this->cgBackMm, $this->cgUpMm, $this->inertiaGcm2, $this->bulgeRadiusMm,
            $this->rollRadiusMm, $this->effectiveRestitution, $this->tangentialRestitution, $this->restitutionFall,
        );
    }

    /**
     * The point of the face in line with the CG: where the face normal through the CG meets the face, mm from the face centre (+
     * toe, + high). Plane face at design loft.
     *
     * @return array{float, float}
     */
    public function inLineWithCg(): array
    {
        $loft = deg2rad($this->loftDeg);

        return [$this->cgToeMm, $this->cgUpMm * cos($loft) + $this->cgBackMm * sin($loft)];
    }

    /**
     * @param  array<mixed>  $tensor
     *
     * @throws InvalidInput
     */
    private static function requireTensor(array $tensor): void
    {
        foreach ([0, 1, 2] as $i) {
            foreach ([0, 1, 2] as $j) {
                $row = $tensor[$i] ?? null;
                $value = is_array($row) ? ($row[$j] ?? null) : null;
                if (! is_float($value) && ! is_int($value) || ! is_finite((float) $value)) {
                    throw InvalidInput::of('inertiaGcm2', 'The inertia tensor needs three rows of three finite numbers, g·cm².');
                }
            }
        }
        /** @var Matrix $tensor */
        if (! Matrix3::isPositiveDefinite($tensor)) {
            throw InvalidInput::of('inertiaGcm2', 'The inertia tensor is not symmetric and positive definite: no body can have it.');
        }
        foreach ([0, 1, 2] as $i) {
            InvalidInput::requireWithin("inertiaGcm2[{$i}][{$i}]", (float) $tensor[$i][$i], 100, 1e15, 'g·cm²');
        }
    }
}
