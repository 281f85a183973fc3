<?php

declare(strict_types=1);

namespace MintCarry\Core\Intake;

/** A trial as the intake sees it: when it began by our clock. */
final readonly class Trial
{
    /** @param  float  $beganS  s since 1970 */
    public function __construct(public int $id, public int $number, public int $fittingId, public float $beganS)
    {
    }
}
