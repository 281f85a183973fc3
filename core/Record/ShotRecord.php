<?php

declare(strict_types=1);

namespace MintCarry\Core\Record;

use MintCarry\Core\Launch\LaunchShot;

/** A shot in the order of its fitting, with the reason why it does not count, if there is one, and whether it was made up. */
final readonly class ShotRecord
{
    public function __construct(
        public LaunchShot $shot, public int $sequence, public ?string $leftOut = null, public bool $isSimulated = false,
    ) {
    }
}
