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

use function abs;
use function array_filter;
use function array_search;
use function max;

/**
 * Where the brief wants the ball to fly: the ridge of launch and spin that this player's speed and attack can deliver, walked by
 * delivered loft through the impact model in the player's air and wind, and the place on it that the chosen flight school takes.
 *
 * The apex wanted is the six-iron's where the brief tells it, else that of the target: one apex for every screen.
 */
final readonly class FlightTarget
{
    /**
     * @param  string  $speedFrom  measured, told, carry or assumed
     * @param  string  $attackFrom  told, measured or assumed
     * @param  list<array{loftDeg: float, launchDeg: float, spinRpm: float, carryM: float, totalM: float, apexM: float,
     *   descentDeg: float}>  $ridge  by delivered loft
     * @param  int  $at  place of the target on the ridge
     * @param  array{float, float}  $bandDeg  delivered loft that stays within 1 % of the school's best
     * @param  Launch  $launch  of the target
     */
    private function __construct(
        public float $clubSpeedMps, public string $speedFrom, public float $attackDeg, public string $attackFrom, public array $ridge,
        public int $at, public array $bandDeg, public Launch $launch, public float $wantedApexM,
    ) {
    }

    /**
     * @param  float|null  $measuredClubSpeedMps  mean of the baseline when it has been hit
     * @param  float|null  $measuredAttackDeg  likewise; taken where the brief does not say one
     */
    public static function of(Brief $brief, ?float $measuredClubSpeedMps = null, ?float $measuredAttackDeg = null): self
    {
        $air = new Atmosphere($brief->temperatureC, $brief->altitudeM);
        $flight = new BallFlight($air, new Wind($brief->windMps, $brief->windFromDeg), turf: $brief->turf());
        $attack = $brief->attackDeg ?? $measuredAttackDeg ?? 0.0;
        $attackFrom = $brief->attackDeg !== null ? 'told' : ($measuredAttackDeg !== null ? 'measured' : 'assumed');
        [$speed, $from] = self::speed($brief, $measuredClubSpeedMps, $attack, new BallFlight($air, turf: $brief->turf()));
        $impact = new Impact(new Head);
        $strike = static fn (float $loft): Launch => $impact->strike(new Delivery($speed, $attack, 0, $loft, 0));
        $ridge = $values = [];
        for ($loft = 5.0 + max(0.0, $attack); $loft <= 24.0 + $attack; $loft += 0.5) {
            $launch = $strike($loft);
            if ($launch->launchDeg < 2) {
                continue;
            }
            $flown = $flight->fly($launch);
            $ridge[] = self::point($loft, $launch, $flown);
            $values[] = match ($brief->school) {
                'flat and running' => $flown->totalM,
                // The mean of a square strike and of one that leaves low: what still carries when it is caught low.
                'guarded height' => ($flown->carryM + $flight->fly($strike(max(3.0, $loft - Outlook::LOW_MISS_DEG)))->carryM) / 2,
                default => $flown->carryM,
            };
        }
        if ($values === []) {
            throw InvalidInput::of('clubSpeedMps', 'At this speed and attack no driver gets the ball into the air.');
        }
        $target = (int) array_search(max($values), $values, true);
        $least = 0.99 * $values[$target];
        $inside = array_keys(array_filter($values, static fn (float $value): bool => $value >= $least));
        // The band ends between two steps, where what the school counts falls under its 99 %: it does not jump with them.
        $end = static function (int $in, int $out) use ($ridge, $values, $least): float {
            $share = isset($values[$out]) ? ($values[$in] - $least) / ($values[$in] - $values[$out]) : 0.0;

            return $ridge[$in]['loftDeg'] + $share * (($ridge[$out] ?? $ridge[$in])['loftDeg'] - $ridge[$in]['loftDeg']);
        };
        [$first, $last] = [$inside[0] ?? $target, $inside[count($inside) - 1] ?? $target];

        return new self(
            $speed, $from, $attack, $attackFrom, $ridge, $target, [$end($first, $first - 1), $end($last, $last + 1)],
            $strike($ridge[$target]['loftDeg']), $brief->sixIronApexM ?? $ridge[$target]['apexM'],
        );
    }

    /**
     * The place on the ridge with an apex nearest to one.
     *
     * @return array{loftDeg: float, launchDeg: float, spinRpm: float, carryM: float, totalM: float, apexM: float, descentDeg: float}
     */
    public function nearestApex(float $apexM): array
    {
        $best = $this->ridge[$this->at];
        foreach ($this->ridge as $point) {
            $best = abs($point['apexM'] - $apexM) < abs($best['apexM'] - $apexM) ? $point : $best;
        }

        return $best;
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
            return [Outlook::USUAL_CLUB_SPEED_MPS, 'assumed'];
        }
        $impact = new Impact(new Head);
        $best = static function (float $speed) use ($impact, $still, $attackDeg): float {
            $longest = 0.0;
            for ($loft = 10.0; $loft <= 24.0; $loft += 1.0) {
                $longest = max($longest, $still->fly($impact->strike(new Delivery($speed, $attackDeg, 0, $loft, 0)))->carryM);
            }

            return $longest * Outlook::TYPICAL_OF_BEST;
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
}
