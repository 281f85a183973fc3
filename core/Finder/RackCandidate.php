<?php

declare(strict_types=1);

namespace MintCarry\Core\Finder;

use MintCarry\Core\Club\SetupParts;

/** A setup that the rack offers: what it is made of, whether it can be had, and which setup of the fitting it is. */
final readonly class RackCandidate
{
    /**
     * @param  string|null  $setupTag  of the setup of the fitting that is made of the same
     * @param  int  $rackAt  index of the head in the record's rack
     * @param  array<string, string|float|null>  $with  what differs from the usual build, by field
     * @param  string  $like  tag of a setup that is built so
     * @param  float|null  $otherLoftDeg  print of a head that would have to be ordered in this loft; null: as it lies on the rack
     */
    public function __construct(
        public SetupParts $parts,
        public bool $inStock,
        public bool $orderable,
        public ?float $price,
        public string $currency,
        public ?string $setupTag,
        public int $rackAt,
        public array $with,
        public string $like,
        public ?float $otherLoftDeg = null,
        public ?int $leadDays = null,
    ) {
    }
}
