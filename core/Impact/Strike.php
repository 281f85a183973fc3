<?php

declare(strict_types=1);

namespace MintCarry\Core\Impact;

use MintCarry\Core\Errors\InvalidInput;

/** Where the ball meets the face, from face centre: + toe, + high, mm. */
final readonly class Strike
{
    public function __construct(public float $toeMm = 0.0, public float $highMm = 0.0)
    {
        InvalidInput::requireWithin('strikeToeMm', $toeMm, -60, 60, 'mm');
        InvalidInput::requireWithin('strikeHighMm', $highMm, -35, 35, 'mm');
    }
}
