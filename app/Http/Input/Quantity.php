<?php

declare(strict_types=1);

namespace App\Http\Input;

use Illuminate\Validation\ValidationException;
use MintCarry\Core\Launch\Cell;
use MintCarry\Core\Units\PlainNumber;
use MintCarry\Core\Units\Unit;

/** A number as a person typed it, with its unit: `{"value": "31,5", "unit": "yd"}`. Converted here, at the edge; kept as typed beside. */
final class Quantity
{
    /** The value in `target`, or null when nothing was typed. */
    public static function read(string $field, string $label, mixed $input, Unit $target): ?float
    {
        if ($input === null) {
            return null;
        }
        $text = is_array($input) ? $input['value'] ?? (array_key_exists('value', $input) ? '' : []) : $input;
        $text = is_scalar($text) ? trim((string) $text) : '(a list)';
        if ($text === '') {
            return null;
        }
        $unitName = is_array($input) ? $input['unit'] ?? $target->value : $target->value;
        $unit = is_string($unitName) ? Unit::tryFrom($unitName) : null;
        $cell = Cell::parse($text);
        $value = $cell->magnitude(str_contains($text, ',') && ! str_contains($text, '.') ? ',' : '.');
        if ($value === null || $cell->side !== null || $unit === null || $unit->dimension() !== $target->dimension()) {
            throw ValidationException::withMessages([
                $field => sprintf(
                    "%s '%s' is not a number with a unit of %s. Nothing was saved; what you typed is still here.", $label,
                    mb_strimwidth($text, 0, 30, '…'), $target->dimension()->value,
                ),
            ]);
        }

        return ($cell->unit ?? $unit)->to($target, $cell->negative ? -$value : $value);
    }

    /** A plain number, with a decimal comma or point, or null when nothing was typed. */
    public static function plain(string $field, string $label, mixed $input): ?float
    {
        if ($input === null || is_int($input) || is_float($input)) {
            return $input === null ? null : (float) $input;
        }
        $text = is_scalar($input) ? trim((string) $input) : '?';
        if ($text === '') {
            return null;
        }

        return PlainNumber::read($text) ?? throw ValidationException::withMessages([$field => sprintf(
            "%s '%s' is not a number. Nothing was saved; what you typed is still here.", $label, mb_strimwidth($text, 0, 30, '…'),
        )]);
    }
}
