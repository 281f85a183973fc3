<?php

declare(strict_types=1);

namespace MintCarry\Core\Flight;

/**
 * Where the flight law holds: what drivers, fairways, hybrids and irons to a seven launch. Each club left out of the fit, it meets
 * published averages within 3.6 % of carry (tests/reference/flight_law.txt; docs/physics.md, "Flight").
 */
final class FlightRange
{
    /** Lowest and highest by field: 90 to 200 mph. */
    public const BOUNDS = ['ballSpeedMps' => [40.2, 89.4], 'launchDeg' => [3.0, 25.0], 'spinRpm' => [1000.0, 7200.0]];

    public static function covers(Launch $launch): bool
    {
        return self::outOf($launch) === null;
    }

    /** @return array{inRange: bool, outOf: array{field: string, value: float, low: float, high: float}|null} beside a flight */
    public static function told(Launch $launch): array
    {
        $out = self::outOf($launch);

        return ['inRange' => $out === null, 'outOf' => $out];
    }

    /**
     * @return array{field: string, value: float, low: float, high: float}|null what of a launch lies beyond the law;
     * null where nothing does
     */
    public static function outOf(Launch $launch): ?array
    {
        foreach (self::BOUNDS as $field => [$low, $high]) {
            if ($launch->{$field} < $low || $launch->{$field} > $high) {
                return ['field' => $field, 'value' => $launch->{$field}, 'low' => $low, 'high' => $high];
            }
        }

        return null;
    }
}
