<?php

declare(strict_types=1);

namespace MintCarry\Core\Impact;

use MintCarry\Core\CoreException;

/** Where the ball meets the face, from face centre: + toe, + high, mm. */
final readonly class Strike
{
    public function __construct(public float $toeMm = 0.0, public float $highMm = 0.0)
    {
        CoreException::requireWithin('strikeToeMm', $toeMm, -60, 60, 'mm');
        CoreException::requireWithin('strikeHighMm', $highMm, -35, 35, 'mm');
    }
}
