<?php

declare(strict_types=1);

namespace MintCarry\Core\Flight;

/** What a ball that hardly flew is called. */
enum LaunchFlag: string
{
    /** Struck below its middle by no loft at all: it starts downward or spins forward. */
    case Topped = 'topped';

    /** Struck so high, or with so much loft, that it goes up rather than out. */
    case PoppedUp = 'poppedUp';
}
