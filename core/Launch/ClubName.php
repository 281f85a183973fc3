<?php

declare(strict_types=1);

namespace MintCarry\Core\Launch;

use function mb_strlen;
use function mb_strtolower;
use function mb_substr;
use function preg_match;
use function preg_replace;
use function str_replace;
use function trim;

/** A club as the setup column of a file names it: what it is called here, and its loft where the name says one. */
final readonly class ClubName
{
    /** What is taken where no loft stands in the name: the middle of what is sold as a driver (common practice, no source). */
    public const USUAL_LOFT_DEG = 10.5;

    private const LONGEST = 80;

    private function __construct(public string $label, public ?float $statedLoftDeg)
    {
    }

    /** "Tern 460 9.5°" says its loft; a letter or a number alone is called "Club B". */
    public static function of(string $cell): self
    {
        $name = trim((string) preg_replace('/\s+/u', ' ', $cell));
        // A number with a degree sign, or one with a decimal: whole numbers are models more often than lofts.
        $isLoft = preg_match('/(?<![\d.,])(\d{1,2}(?:[.,]\d)?)\s*(?:°|º|deg)|(?<![\d.,+−-])(\d{1,2}[.,]\d)(?![\d.,])/iu', $name, $m) === 1;
        $loft = $isLoft ? (float) str_replace(',', '.', $m[1] !== '' ? $m[1] : $m[2]) : null;
        $label = $name === '' ? 'Club without a name' : (mb_strlen($name) <= 3 ? "Club {$name}" : mb_substr($name, 0, self::LONGEST));

        return new self($label, $loft !== null && $loft >= 4 && $loft <= 20 ? $loft : null);
    }

    /** Two ways of writing one name are one. */
    public static function key(string $cell): string
    {
        return trim((string) preg_replace('/[^\p{L}\p{N}.+−-]+/u', ' ', mb_strtolower($cell)));
    }
}
