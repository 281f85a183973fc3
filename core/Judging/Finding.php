<?php

declare(strict_types=1);

namespace MintCarry\Core\Judging;

/**
 * One thing that the shots say, with its evidence. `figures` are in kept units; `weight` is what it costs or how much it matters,
 * in metres of carry, to put the dear ones first.
 */
final readonly class Finding
{
    /**
     * @param  array<string, float|string|list<string>>  $figures
     * @param  bool  $forCoach  is it the delivery rather than the club?
     */
    public function __construct(
        public string $tag, public FindingKind $kind, public array $figures, public float $weight = 0.0,
        public bool $forCoach = false,
    ) {
    }
}
