<?php

declare(strict_types=1);

namespace MintCarry\Core\Club;

use MintCarry\Core\Errors\InvalidInput;

/**
 * Loft, lie and face of a head as it stands at one sleeve position: printed or read on the gauge. `faceOpenDeg` + = open for that hand. A
 * driver's, or that of any other club with a sleeve.
 */
final readonly class HeadReading
{
    /** Of a hybrid; a driver's is held to less where a driver is asked for. */
    public const MOST_LOFT_DEG = 35.0;

    public function __construct(public float $loftDeg, public float $lieDeg = 58.0, public float $faceOpenDeg = 0.0)
    {
        InvalidInput::requireWithin('loftDeg', $loftDeg, 4, self::MOST_LOFT_DEG, '°');
        InvalidInput::requireWithin('lieDeg', $lieDeg, 45, 72, '°');
        InvalidInput::requireWithin('faceOpenDeg', $faceOpenDeg, -15, 15, '°');
    }
}
