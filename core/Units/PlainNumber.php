<?php

declare(strict_types=1);

namespace MintCarry\Core\Units;

use function is_finite;
use function is_numeric;
use function preg_replace;
use function str_replace;

/**
 * A plain number as a person types it: a decimal comma or point, a minus of any kind, spaces and a degree sign around it.
 * Thousands are not separated: 1.200,50 could mean two things, so it is none.
 */
final class PlainNumber
{
    /** @return float|null null where the text is not one number, or is empty */
    public static function read(string $text): ?float
    {
        $number = str_replace([',', "\u{2212}"], ['.', '-'], (string) preg_replace('/^[\s°]+|[\s°]+$/u', '', $text));

        return is_numeric($number) && is_finite((float) $number) ? (float) $number : null;
    }
}
