<?php

declare(strict_types=1);

namespace MintCarry\Core\Club;

use MintCarry\Core\Errors\InvalidInput;

/**
 * The change that a sleeve position makes against the position in which the head was read, as printed or nominal values:
 * loft and lie in degrees, face + = open. A card that prints a loft change means: with the face turned back to square.
 * A null is a value that nobody gave; it is then worked out from geometry.
 */
final readonly class SleeveChange
{
    public function __construct(public ?float $loftDeg = null, public ?float $faceOpenDeg = null, public ?float $lieDeg = null)
    {
        foreach (['loftDeg' => $loftDeg, 'faceOpenDeg' => $faceOpenDeg, 'lieDeg' => $lieDeg] as $field => $value) {
            if ($value !== null) {
                InvalidInput::requireWithin("sleeve {$field}", $value, -6, 6, '°');
            }
        }
    }
}
