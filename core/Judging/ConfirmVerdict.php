<?php

declare(strict_types=1);

namespace MintCarry\Core\Judging;

/** What a confirm run says of the choice. */
enum ConfirmVerdict: string
{
    /** Its legs are not all hit. */
    case Running = 'running';
    /** The two legs of the benchmark disagree: the player changed, and nothing is said. */
    case Drifted = 'drifted';
    case Confirmed = 'confirmed';
    case Overturned = 'overturned';
    case Open = 'open';
}
