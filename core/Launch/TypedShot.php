<?php

declare(strict_types=1);

namespace MintCarry\Core\Launch;

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Units\Dimension;
use MintCarry\Core\Units\Unit;

/** A shot typed by hand: each value as text with a unit, read by the same rules as a cell of a file. */
final class TypedShot
{
    /**
     * @param  array<mixed>  $typed  by field name: `{"value": "12,3 L", "unit": "m"}`, or bare, in the unit that the field names
     * @return array{array<string, float>, list<Issue>} values in kept units, and what is wrong or unlikely
     */
    public static function read(array $typed, Hand $hand, BallFlight $flight): array
    {
        $values = [];
        $issues = [];
        foreach ($typed as $name => $given) {
            $measure = is_string($name) ? Measure::tryFrom($name) : null;
            if ($measure === null || $measure->dimension() === Dimension::Text) {
                $issues[] = new Issue((string) $name, true, "'{$name}' is not a measure of a shot");

                continue;
            }
            $said = self::said(is_array($given) ? $given : ['value' => $given]);
            if ($said === null) {
                $issues[] = new Issue($measure->value, true, "'{$name}' needs a number, or a value and its unit");

                continue;
            }
            [$text, $named] = $said;
            if ($text === '') {
                continue;
            }
            $unit = $named === null ? $measure->unit() : Unit::tryFrom($named);
            $cell = Cell::parse($text);
            try {
                $mark = self::mark($cell, $measure, $unit ?? Unit::Ratio);
                $magnitude = $cell->magnitude($mark);
                if ($magnitude === null) {
                    throw InvalidInput::of(
                        $measure->value, sprintf("%s '%s' is not a number", $measure->label(), mb_strimwidth($text, 0, 40, '…')),
                    );
                }
                $values[$measure->value] = (new Column($measure, $unit, $mark))->kept($cell, $magnitude, $hand);
            } catch (InvalidInput $e) {
                $issues[] = new Issue($measure->value, true, $e->getMessage());
            }
        }
        $named = array_column($issues, 'field');
        $shot = LaunchShot::of($values, $flight);
        foreach ($shot->issues() as $issue) {
            if (! in_array($issue->field, $named, true)) {
                $issues[] = $issue;
            }
        }

        return [$shot->measured, $issues];
    }

    /**
     * Nothing is made of what is no text, no number and no unit: it would be another value than the one that was sent.
     *
     * @param  array<mixed>  $given
     * @return array{string, string|null}|null the value as text and the unit it names; null where it is something else
     */
    private static function said(array $given): ?array
    {
        $value = $given['value'] ?? '';
        $unit = $given['unit'] ?? null;

        return array_diff_key($given, ['value' => 1, 'unit' => 1]) === [] &&
            (is_string($value) || is_int($value) || is_float($value)) &&
            ($unit === null || is_string($unit))
            ? [trim((string) $value), $unit]
            : null;
    }

    /** "2,450" rpm is a thousands mark, "12,3" is not: the reading that lies where driver shots lie. */
    private static function mark(Cell $cell, Measure $measure, Unit $unit): string
    {
        foreach (['.', ','] as $mark) {
            $value = $cell->magnitude($mark);
            [$low, $high] = $measure->plausible();
            if ($value !== null && $unit->dimension() === $measure->dimension()) {
                $kept = $unit->to($measure->unit() ?? $unit, $value);
                if ($kept >= $low && $kept <= $high) {
                    return $mark;
                }
            }
        }

        return $cell->evidence(',') === 'decimal' ? ',' : '.';
    }
}
