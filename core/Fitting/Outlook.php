<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use MintCarry\Core\Air\Atmosphere;
use MintCarry\Core\Air\Wind;
use MintCarry\Core\Flight\BallFlight;

use function array_filter;
use function array_values;
use function ceil;
use function count;
use function floor;
use function max;

/**
 * What a brief means before a ball is hit: the ridge of launch and spin for the player's speed and attack, the target of the chosen
 * flight school on it (`FlightTarget`), the apex that goes with it, and what a yard is worth against a fairway on the player's holes.
 */
final readonly class Outlook
{
    /** Driving holes of a round, which shares and strokes are told out of (common practice, no source). */
    public const DRIVES = 14;

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
        public float $attackDeg,
        /** told, measured or assumed */
        public string $attackFrom,
        public float $ballSpeedMps,
        public array $ridge,
        public int $target,
        public array $bandDeg,
        /** The six-iron's where the brief tells it, else the target's. */
        public float $wantedApexM,
        public float $carryInStillAirM,
        /** Where the wind puts a straight ball with the target's launch, + right. */
        public float $windSideM,
        public LaunchSpinField $field,
        public array $price,
    ) {
    }

    /**
     * @param  float|null  $measuredClubSpeedMps  mean of the baseline when it has been hit
     * @param  float|null  $measuredAttackDeg  likewise; taken where the brief does not say one
     */
    public static function of(Brief $brief, ?float $measuredClubSpeedMps = null, ?float $measuredAttackDeg = null): self
    {
        return self::toward(FlightTarget::of($brief, $measuredClubSpeedMps, $measuredAttackDeg), $brief);
    }

    public static function toward(FlightTarget $target, Brief $brief): self
    {
        $air = new Atmosphere($brief->temperatureC, $brief->altitudeM);
        $flight = new BallFlight($air, new Wind($brief->windMps, $brief->windFromDeg), turf: $brief->turf());
        [$launch, $ridge] = [$target->launch, $target->ridge];
        $inBand = array_values(array_filter(
            $ridge, static fn (array $p): bool => $p['loftDeg'] >= $target->bandDeg[0] && $p['loftDeg'] <= $target->bandDeg[1],
        ));
        [$first, $last] = [$inBand[0], $inBand[count($inBand) - 1]];
        $still = (new BallFlight($air, turf: $brief->turf()))->fly($launch);

        return new self(
            $target->clubSpeedMps,
            $target->speedFrom,
            $target->attackDeg,
            $target->attackFrom,
            $launch->ballSpeedMps,
            $ridge,
            $target->at,
            $target->bandDeg,
            $target->wantedApexM,
            $still->carryM,
            $flight->fly($launch)->sideM - $still->sideM,
            LaunchSpinField::of(
                $launch->ballSpeedMps, $flight, [max(2.0, floor($launch->launchDeg - 7)), ceil($launch->launchDeg + 7)],
                [max(800.0, 100 * floor($first['spinRpm'] / 100 - 9)), 100 * ceil($last['spinRpm'] / 100 + 9)], 19,
            ),
            self::price($brief, $ridge[$target->at]['totalM']),
        );
    }

    /** @return array{tenMetres: float, rough: float, left: float, right: float, sharePerTenMetres: float} strokes; share in points */
    public static function price(Brief $brief, float $totalM): array
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
