<?php

declare(strict_types=1);

namespace App\Exchange;

/** A cell that a spreadsheet will not run: text that begins like a formula gets an apostrophe; a plain number, also -12.3, stays one. */
final class CsvCell
{
    public static function safe(string $text): string
    {
        return preg_match('/^\s*[=+\-@\t\r]/', $text) === 1 && ! is_numeric($text) ? "'".$text : $text;
    }
}
