<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use MintCarry\Core\CoreException;

/** The strip the drive should finish in, centred on the target line, and what waits beyond it on the side of the trouble. */
final readonly class Corridor
{
    public const SIDES = ['none', 'left', 'right', 'both'];

    public const KINDS = ['trees', 'water', 'out of bounds'];

    public function __construct(
        public float $widthM = 30.0,
        public string $troubleSide = 'none',
        public string $troubleKind = 'trees',
        /** Distance of the trouble from the target line, m; null = 8 m beyond the corridor's edge. */
        public ?float $troubleAtM = null,
    ) {
        CoreException::requireWithin('corridorWidthM', $widthM, 5, 120, 'm');
        if (! in_array($troubleSide, self::SIDES, true)) {
            throw CoreException::invalid('troubleSide', "The trouble can be on the left, right, both sides or none, not '{$troubleSide}'.");
        }
        if (! in_array($troubleKind, self::KINDS, true)) {
            throw CoreException::invalid('troubleKind', "'{$troubleKind}' is not a kind of trouble; use trees, water or out of bounds.");
        }
        if ($troubleAtM !== null) {
            CoreException::requireWithin('troubleAtM', $troubleAtM, $widthM / 2, 150, 'm');
        }
    }

    public function halfM(): float
    {
        return $this->widthM / 2;
    }

    /**
     * Where trouble begins on the left (negative) and right, m from the target line; infinite where there is none.
     *
     * @return array{float, float}
     */
    public function trouble(): array
    {
        $at = $this->troubleAtM ?? $this->halfM() + 8;

        return [
            in_array($this->troubleSide, ['left', 'both'], true) ? -$at : -INF,
            in_array($this->troubleSide, ['right', 'both'], true) ? $at : INF,
        ];
    }
}
