<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

/** What the shots say of a setup against the benchmark on one measure. */
enum Verdict: string
{
    case Better = 'better';
    case Worse = 'worse';
    /** As good as the same: what separates them is not worth telling. */
    case Same = 'same';
    /** It cannot be told yet. */
    case Open = 'open';

    /** Is it a word on the setup, rather than that there is none? */
    public function isMark(): bool
    {
        return $this === self::Better || $this === self::Worse;
    }
}
