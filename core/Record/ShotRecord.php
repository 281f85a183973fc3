<?php

declare(strict_types=1);

namespace MintCarry\Core\Record;

use MintCarry\Core\Launch\LaunchShot;

/**
 * A shot in the order of its fitting, with the reason why it does not count, if there is one, whether it was made up, on which
 * visit it was hit (null: nobody said, which is taken as the last), in which trial, by any number that is the trial's own, and how it was
 * meant (normal, full out, smooth, shaped on purpose).
 */
final readonly class ShotRecord
{
    public function __construct(
        public LaunchShot $shot, public int $sequence, public ?string $leftOut = null, public bool $isSimulated = false,
        public ?int $visit = null, public ?int $trial = null, public string $intent = 'normal',
    ) {
    }
}
