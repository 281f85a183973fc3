<?php

declare(strict_types=1);

namespace MintCarry\Core\Impact;

use MintCarry\Core\Club\Head;

/**
 * What a setup presents against the one the player's mean delivery belongs to: change of playing loft and face under both address
 * habits (hand-relative), and the head with its weights. `headKey` names the head, so that its own effects stay with it.
 */
final readonly class SetupEffect
{
    public function __construct(
        public Head $head = new Head,
        public string $headKey = 'head',
        public float $squaredLoftDeg = 0.0,
        public float $soledFaceOpenDeg = 0.0,
        public float $cgBackMm = 0.0,
        public float $cgToeMm = 0.0,
        public float $swingWeightPoints = 0.0,
        public float $soledLoftDeg = 0.0,
    ) {
    }
}
