<?php

declare(strict_types=1);

namespace MintCarry\Core\Club;

use MintCarry\Core\Errors\InvalidInput;

/** Loft, lie and face of a head as it stands at one sleeve position: printed or read on the gauge. `faceOpenDeg` + = open for that hand. */
final readonly class HeadReading
{
    public function __construct(public float $loftDeg, public float $lieDeg = 58.0, public float $faceOpenDeg = 0.0)
    {
        InvalidInput::requireWithin('loftDeg', $loftDeg, 4, 20, '°');
        InvalidInput::requireWithin('lieDeg', $lieDeg, 45, 72, '°');
        InvalidInput::requireWithin('faceOpenDeg', $faceOpenDeg, -15, 15, '°');
    }
}
