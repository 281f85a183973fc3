<?php

declare(strict_types=1);

namespace MintCarry\Core\Units;

use MintCarry\Core\Errors\InvalidInput;

/**
 * A unit as it is typed, shown or found in a file. Conversions happen only at the edges: the core runs on
 * m/s, m, deg, rpm, s, g and (for strike and club measures) mm.
 *
 * Factors are exact by definition: international yard and pound agreement of 1959 (1 yd = 0.9144 m).
 */
enum Unit: string
{
    case MetresPerSecond = 'm/s';
    case MilesPerHour = 'mph';
    case KilometresPerHour = 'km/h';
    case FeetPerSecond = 'ft/s';
    case Knots = 'kn';
    case Metres = 'm';
    case Yards = 'yd';
    case Feet = 'ft';
    case Inches = 'in';
    case Centimetres = 'cm';
    case Millimetres = 'mm';
    case Degrees = 'deg';
    case Radians = 'rad';
    case RevolutionsPerMinute = 'rpm';
    case Seconds = 's';
    case Ratio = 'ratio';
    case Percent = '%';

    public function dimension(): Dimension
    {
        return match ($this) {
            self::MetresPerSecond, self::MilesPerHour, self::KilometresPerHour, self::FeetPerSecond, self::Knots => Dimension::Speed,
            self::Metres, self::Yards, self::Feet, self::Inches, self::Centimetres, self::Millimetres => Dimension::Length,
            self::Degrees, self::Radians => Dimension::Angle,
            self::RevolutionsPerMinute => Dimension::SpinRate,
            self::Seconds => Dimension::Time,
            self::Ratio, self::Percent => Dimension::Ratio,
        };
    }

    /** How many of the dimension's base unit (m/s, m, deg, rpm, s, 1) one of this unit is. */
    public function factor(): float
    {
        return match ($this) {
            self::MilesPerHour => 0.44704,
            self::KilometresPerHour => 1 / 3.6,
            self::FeetPerSecond, self::Feet => 0.3048,
            self::Knots => 1852 / 3600,
            self::Yards => 0.9144,
            self::Inches => 0.0254,
            self::Centimetres => 0.01,
            self::Millimetres => 0.001,
            self::Radians => 180 / M_PI,
            self::Percent => 0.01,
            default => 1.0,
        };
    }

    /** Converts `value` from this unit to another of the same dimension. */
    public function to(self $other, float $value): float
    {
        if ($this->dimension() !== $other->dimension()) {
            throw InvalidInput::of('unit', "{$this->value} cannot be converted to {$other->value}.");
        }

        return $value * $this->factor() / $other->factor();
    }

    /** Reads a unit as people write it ("yds", "mp/h", "[°]"); null when it is not one. */
    public static function read(string $text): ?self
    {
        $key = mb_strtolower((string) preg_replace('/^[\s\x{A0}()\[\]{}.]+|[\s\x{A0}()\[\]{}.]+$/u', '', $text));

        return match ($key) {
            'm/s', 'mps', 'ms', 'm/sec', 'metres per second', 'meters per second' => self::MetresPerSecond,
            'mph', 'mp/h', 'mi/h', 'miles/h', 'miles per hour' => self::MilesPerHour,
            'km/h', 'kmh', 'kph', 'kmph', 'km/hr' => self::KilometresPerHour,
            'ft/s', 'fps', 'ft/sec' => self::FeetPerSecond,
            'kn', 'kt', 'kts', 'knots' => self::Knots,
            'm', 'mtr', 'metre', 'metres', 'meter', 'meters' => self::Metres,
            'yd', 'yds', 'yard', 'yards' => self::Yards,
            'ft', 'feet', 'foot', "'" => self::Feet,
            'in', 'inch', 'inches', '"' => self::Inches,
            'cm' => self::Centimetres,
            'mm' => self::Millimetres,
            'deg', 'degs', 'degree', 'degrees', '°', 'º', 'grad' => self::Degrees,
            'rad', 'radians' => self::Radians,
            'rpm', 'r/min', 'u/min', 'rev/min', '1/min' => self::RevolutionsPerMinute,
            's', 'sec', 'secs', 'seconds' => self::Seconds,
            'ratio', 'factor' => self::Ratio,
            '%', 'percent' => self::Percent,
            default => null,
        };
    }
}
