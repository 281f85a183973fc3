<?php

declare(strict_types=1);

namespace MintCarry\Core\Club;

use MintCarry\Core\Errors\InvalidInput;

/** A place in a head where a weight can sit, mm from face centre: + toe, + back, + up. */
final readonly class WeightSlot
{
    public function __construct(
        public string $name,
        public float $toeMm,
        public float $backMm,
        public float $upMm,
        /** Masses this slot takes, g. */
        public float $fromG = 0.0,
        public float $toG = 40.0,
        /** May it be left empty? */
        public bool $mayBeEmpty = true,
    ) {
        InvalidInput::requireWithin("{$name} toeMm", $toeMm, -80, 80, 'mm');
        InvalidInput::requireWithin("{$name} backMm", $backMm, -10, 150, 'mm');
        InvalidInput::requireWithin("{$name} upMm", $upMm, -60, 60, 'mm');
    }
}
