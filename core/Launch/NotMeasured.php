<?php

declare(strict_types=1);

namespace MintCarry\Core\Launch;

use MintCarry\Core\Units\Unit;

use function abs;
use function array_fill;
use function array_map;
use function array_sum;
use function array_unique;
use function array_values;
use function count;
use function max;
use function min;
use function round;
use function sort;
use function sqrt;
use function str_ends_with;

/**
 * Fields that a monitor fills in and does not measure: so few different values that balls would show them, at that rounding, in under 1 of
 * 1,000 sessions. A constant spin is the usual case.
 *
 * Values of a normal scatter in cells of width h fall as if there were 2 σ √π / h cells alike (inverse Simpson index, from memory); how
 * many different ones n draws show is the classical occupancy problem (Feller 1950, from memory).
 */
final class NotMeasured
{
    private const IN_SESSIONS = 0.001;

    private const FROM_SHOTS = 4;

    /** The least scatter from shot to shot of a steady player, in the kept unit: half the usual (common practice, no source). */
    private const LEAST_SD = [
        'clubSpeedMps' => 0.35, 'ballSpeedMps' => 0.55, 'attackDeg' => 0.5, 'pathDeg' => 0.7, 'faceDeg' => 0.9, 'dynamicLoftDeg' => 0.6,
        'launchDeg' => 0.7, 'directionDeg' => 0.7, 'spinRpm' => 160.0, 'spinAxisDeg' => 2.0, 'strikeToeMm' => 3.0, 'strikeHighMm' => 2.5,
    ];

    /** What speeds are told in, and the steps that monitors round to; over 1 spin alone. */
    private const SPEEDS = [Unit::MetresPerSecond, Unit::MilesPerHour, Unit::KilometresPerHour];

    private const STEPS = [100.0, 50.0, 10.0, 5.0, 1.0, 0.5, 0.1, 0.05];

    /**
     * @param  list<LaunchShot>  $shots  of one monitor
     * @return list<string>
     */
    public static function among(array $shots): array
    {
        $out = [];
        foreach (self::LEAST_SD as $field => $sd) {
            $values = [];
            foreach ($shots as $shot) {
                if (isset($shot->measured[$field])) {
                    $values[] = $shot->measured[$field];
                }
            }
            $n = count($values);
            $different = array_values(array_unique(array_map(static fn (float $v): string => (string) round($v, 6), $values)));
            if ($n >= self::FROM_SHOTS && 2 * count($different) <= $n) {
                $cells = max(1.0, 2 * $sd * sqrt(M_PI) / self::step($values, $field));
                $out = self::chanceOfSoFew(count($different), $n, $cells) < self::IN_SESSIONS ? [...$out, $field] : $out;
            }
        }

        return $out;
    }

    /**
     * The step that the values are rounded to: what lies between two neighbours, or, of one value alone, the coarsest step that it is a
     * multiple of in any usual unit.
     *
     * @param  non-empty-list<float>  $values
     */
    private static function step(array $values, string $field): float
    {
        sort($values);
        $gap = INF;
        foreach ($values as $i => $v) {
            $next = $values[$i + 1] ?? $v;
            $gap = $next - $v > 1e-6 ? min($gap, $next - $v) : $gap;
        }
        $step = 0.01;
        foreach (str_ends_with($field, 'Mps') ? self::SPEEDS : [null] as $unit) {
            $size = $unit === null ? 1.0 : $unit->to(Unit::MetresPerSecond, 1.0);
            foreach (self::STEPS as $one) {
                if ($one > 1 && $field !== 'spinRpm') {
                    continue;
                }
                $times = $values[0] / $size / $one;
                if (abs($times - round($times)) < 1e-4) {
                    $step = max($step, $one * $size);
                    break;
                }
            }
        }

        return min($gap, $step);
    }

    /** Chance that n draws from so many like cells show at most so many different ones. */
    private static function chanceOfSoFew(int $different, int $n, float $cells): float
    {
        $chances = [1.0] + array_fill(0, $different + 1, 0.0);
        for ($draw = 0; $draw < $n; $draw++) {
            for ($k = $different; $k >= 0; $k--) {
                $isNew = $k === 0 ? 0.0 : $chances[$k - 1] * max(0.0, 1 - ($k - 1) / $cells);
                $chances[$k] = $chances[$k] * min(1.0, $k / $cells) + $isNew;
            }
        }

        return array_sum($chances);
    }
}
