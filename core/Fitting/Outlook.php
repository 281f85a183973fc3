<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use MintCarry\Core\Air\Atmosphere;
use MintCarry\Core\Air\Wind;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\Flight;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Impact\Delivery;
use MintCarry\Core\Impact\Impact;

/**
 * What a brief means before a ball is hit: the ridge of launch and spin for the player's speed, the target of the chosen flight
 * school on it, the apex that goes with it, and what a yard is worth against a fairway on the player's holes.
 *
 * The ridge is walked by delivered loft through the impact model at the player's speed and attack (0 unless measured), in the
 * player's air and wind.
 */
final readonly class Outlook
{
    /**
     * A typical drive carries this share of the longest that its speed allows (assumption; used only to find a speed from a
     * typical carry).
     */
    public const TYPICAL_OF_BEST = 0.95;

    public const USUAL_CLUB_SPEED_MPS = 42.0;

    /** How much lower a drive off the bottom of the face leaves: the guarded school looks at the loft this much less too. */
    public const LOW_MISS_DEG = 2.5;

    /**
     * @param  string  $speedFrom  measured, told, carry or assumed
     * @param  list<array{loftDeg: float, launchDeg: float, spinRpm: float, carryM: float, totalM: float, apexM: float,
     *   descentDeg: float}>  $ridge  by delivered loft
     * @param  array{float, float}  $bandDeg  delivered loft that stays within 1 % of the school's best
     * @param  array{tenMetres: float, rough: float, left: float, right: float, sharePerTenMetres: float}  $price  strokes; share in points
     */
    private function __construct(
        public float $clubSpeedMps,
        public string $speedFrom,
        public float $ballSpeedMps,
        public array $ridge,
        public int $target,
        public array $bandDeg,
        public float $carryInStillAirM,
        /** Where the wind puts a straight ball with the target's launch, + right. */
        public float $windSideM,
        public LaunchSpinField $field,
        public array $price,
    ) {
    }

    /** @param  float|null  $measuredClubSpeedMps  mean of the baseline when it has been hit */
    public static function of(Brief $brief, ?float $measuredClubSpeedMps = null, float $attackDeg = 0.0): self
    {
        $air = new Atmosphere($brief->temperatureC, $brief->altitudeM);
        $flight = new BallFlight($air, new Wind($brief->windMps, $brief->windFromDeg), turf: $brief->turf());
        $still = new BallFlight($air, turf: $brief->turf());
        [$speed, $from] = self::speed($brief, $measuredClubSpeedMps, $attackDeg, $still);
        $impact = new Impact(new Head);
        $strike = static fn (float $loft): Launch => $impact->strike(new Delivery($speed, $attackDeg, 0, $loft, 0));
        $ridge = $values = [];
        for ($loft = 5.0 + max(0.0, $attackDeg); $loft <= 24.0 + $attackDeg; $loft += 0.5) {
            $launch = $strike($loft);
            if ($launch->launchDeg < 2) {
                continue;
            }
            $flown = $flight->fly($launch);
            $ridge[] = self::point($loft, $launch, $flown);
            $values[] = match ($brief->school) {
                'flat and running' => $flown->totalM,
                // The mean of a square strike and of one that leaves low: what still carries when it is caught low.
                'guarded height' => ($flown->carryM + $flight->fly($strike(max(3.0, $loft - self::LOW_MISS_DEG)))->carryM) / 2,
                default => $flown->carryM,
            };
        }
        if ($values === []) {
            throw InvalidInput::of('clubSpeedMps', 'At this speed and attack no driver gets the ball into the air.');
        }
        $target = (int) array_search(max($values), $values, true);
        $inside = array_values(
            array_filter(
                $ridge, static fn (array $point, int $i): bool => $values[$i] >= 0.99 * $values[$target], ARRAY_FILTER_USE_BOTH,
            ),
        );
        [$first, $last] = [$inside[0] ?? $ridge[$target], end($inside) ?: $ridge[$target]];
        $launch = $strike($ridge[$target]['loftDeg']);

        return new self(
            $speed,
            $from,
            $launch->ballSpeedMps,
            $ridge,
            $target,
            [$first['loftDeg'], $last['loftDeg']],
            $still->fly($launch)->carryM,
            $flight->fly($launch)->sideM,
            LaunchSpinField::of(
                $launch->ballSpeedMps, $flight, [max(2.0, floor($launch->launchDeg - 7)), ceil($launch->launchDeg + 7)],
                [max(800.0, 100 * floor($first['spinRpm'] / 100 - 9)), 100 * ceil($last['spinRpm'] / 100 + 9)], 19,
            ),
            self::price($brief, $ridge[$target]['totalM']),
        );
    }

    /** @return array{float, string} */
    private static function speed(Brief $brief, ?float $measured, float $attackDeg, BallFlight $still): array
    {
        if ($measured !== null) {
            return [$measured, 'measured'];
        }
        if ($brief->clubSpeedMps !== null) {
            return [$brief->clubSpeedMps, 'told'];
        }
        if ($brief->carryM === null) {
            return [self::USUAL_CLUB_SPEED_MPS, 'assumed'];
        }
        $impact = new Impact(new Head);
        $best = static function (float $speed) use ($impact, $still, $attackDeg): float {
            $longest = 0.0;
            for ($loft = 10.0; $loft <= 24.0; $loft += 1.0) {
                $longest = max($longest, $still->fly($impact->strike(new Delivery($speed, $attackDeg, 0, $loft, 0)))->carryM);
            }

            return $longest * self::TYPICAL_OF_BEST;
        };
        [$low, $high] = [20.0, 70.0];
        for ($i = 0; $i < 14; $i++) {
            $middle = ($low + $high) / 2;
            if ($best($middle) < $brief->carryM) {
                $low = $middle;
            } else {
                $high = $middle;
            }
        }

        return [($low + $high) / 2, 'carry'];
    }

    /** @return array{loftDeg: float, launchDeg: float, spinRpm: float, carryM: float, totalM: float, apexM: float, descentDeg: float} */
    private static function point(float $loft, Launch $launch, Flight $flown): array
    {
        return [
            'loftDeg' => $loft, 'launchDeg' => $launch->launchDeg, 'spinRpm' => $launch->spinRpm, 'carryM' => $flown->carryM,
            'totalM' => $flown->totalM, 'apexM' => $flown->apexM, 'descentDeg' => $flown->descentDeg,
        ];
    }

    /** @return array{tenMetres: float, rough: float, left: float, right: float, sharePerTenMetres: float} */
    private static function price(Brief $brief, float $totalM): array
    {
        $strokes = $brief->strokes();
        $left = max(40.0, $brief->holeLengthM - $totalM);
        $fairway = $strokes->from('fairway', $left);
        $ten = $fairway - $strokes->from('fairway', max(20.0, $left - 10));
        $rough = $strokes->from('rough', $left) - $fairway;

        return [
            'tenMetres' => $ten,
            'rough' => $rough,
            'left' => $strokes->afterTrouble($brief->corridor->left, $left, $brief->holeLengthM) - $fairway,
            'right' => $strokes->afterTrouble($brief->corridor->right, $left, $brief->holeLengthM) - $fairway,
            'sharePerTenMetres' => 100 * $ten / $rough,
        ];
    }
}
