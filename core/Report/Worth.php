<?php

declare(strict_types=1);

namespace MintCarry\Core\Report;

use MintCarry\Core\Air\Atmosphere;
use MintCarry\Core\Air\Wind;
use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Club\SwingWeight;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Fitting\LaunchWindow;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\Flight;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Flight\Turf;
use MintCarry\Core\Impact\Delivery;
use MintCarry\Core\Impact\Impact;
use MintCarry\Core\Impact\PlayerPriors;
use MintCarry\Core\Impact\Strike;

use function array_map;
use function min;

/**
 * What a degree, a millimetre, a gram, 100 rpm, 10 °C, and so much speed, altitude and wind are worth with a swing:
 * the impact and flight models with one thing changed and all else the same. Of a gram the head's mass and, by what is
 * usual, the club speed it takes (`PlayerPriors`).
 */
final class Worth
{
    private const MORE_C = 10.0;

    /** Steps that a reader may want rounder in units of their own, with what they must lie within. */
    public const STEPS = ['speedMps' => [1.0, 0.1, 5.0], 'altitudeM' => [500.0, 10.0, 2000.0], 'windMps' => [5.0, 0.5, 15.0]];

    private const SPIN_RPM = 100.0;

    /**
     * @param  float|null  $dynamicLoftDeg  delivered; null: what carries longest with this speed and attack
     * @param  array<string, float|null>  $steps  by the names of `STEPS`; null: the usual one
     * @return array{base: array<string, float>, dynamicLoftDeg: float, rows: list<array<string, mixed>>} lengths m, sides + right; each row
     *   with the change and what it does to carry, total, side, ball speed and spin
     *
     * @throws InvalidInput where no such swing gets a ball into the air
     */
    public static function of(
        float $clubSpeedMps, float $attackDeg = 0.0, ?float $dynamicLoftDeg = null, Atmosphere $air = new Atmosphere,
        Turf $turf = Turf::Medium,
        Head $head = new Head, Hand $hand = Hand::Right, array $steps = [],
    ): array {
        $steps = array_filter($steps, is_float(...)) + array_map(static fn (array $s): float => $s[0], self::STEPS);
        foreach (self::STEPS as $name => [, $least, $most]) {
            InvalidInput::requireWithin("steps.{$name}", $steps[$name], $least, $most, $name === 'altitudeM' ? 'm' : 'm/s');
        }
        InvalidInput::requireWithin('clubSpeedMps', $clubSpeedMps, 20, 70, 'm/s');
        InvalidInput::requireWithin('attackDeg', $attackDeg, -12, 12, '°');
        $still = new BallFlight($air, turf: $turf);
        $loft = $dynamicLoftDeg ?? LaunchWindow::forSwing($clubSpeedMps, $attackDeg, $still, 'carry', $head)->dynamicLoftDeg;
        InvalidInput::requireWithin('dynamicLoftDeg', $loft, 2, 35, '°');
        $strike = static fn (array $more = [], ?Head $with = null): Launch => (new Impact($with ?? $head, $hand))->strike(
            new Delivery(
                $clubSpeedMps + ($more['speed'] ?? 0.0), $attackDeg + ($more['attack'] ?? 0.0), $more['path'] ?? 0.0,
                $loft + ($more['loft'] ?? 0.0),
                $more['face'] ?? 0.0,
            ),
            new Strike($more['toe'] ?? 0.0, $more['high'] ?? 0.0),
        );
        $ball = $strike();
        if ($ball->launchDeg <= 0.5) {
            throw InvalidInput::of('dynamicLoftDeg', 'With this attack and loft the ball does not get into the air.');
        }
        $base = $still->fly($ball);
        $row = static fn (string $what, float $by, string $unit, Launch $then, ?BallFlight $in = null): array => [
            'what' => $what, 'by' => $by, 'unit' => $unit,
        ] + self::over($base, $ball, ($in ?? $still)->fly($then), $then);
        $spun = new Launch($ball->ballSpeedMps, $ball->launchDeg, $ball->spinRpm + self::SPIN_RPM, $ball->directionDeg,
            $ball->spinAxisDeg, struck: true);
        $slower = PlayerPriors::SPEED_MPS_PER_POINT * SwingWeight::pointsPerHeadG(null);
        $warmer = new Atmosphere(min(55.0, $air->temperatureC + self::MORE_C), $air->altitudeM, $air->humidity);
        $higher = new Atmosphere($air->temperatureC, min(5000.0, $air->altitudeM + $steps['altitudeM']), $air->humidity);
        $wind = static fn (float $from): BallFlight => new BallFlight($air, new Wind($steps['windMps'], $from), turf: $turf);

        return [
            'base' => [
                'ballSpeedMps' => $ball->ballSpeedMps, 'launchDeg' => $ball->launchDeg, 'spinRpm' => $ball->spinRpm,
                'carryM' => $base->carryM,
                'totalM' => $base->totalM, 'apexM' => $base->apexM, 'descentDeg' => $base->descentDeg,
            ],
            'dynamicLoftDeg' => $loft,
            'rows' => [
                $row('clubSpeed', $steps['speedMps'], 'm/s', $strike(['speed' => $steps['speedMps']])),
                $row('loft', 1.0, '°', $strike(['loft' => 1.0])),
                $row('attack', 1.0, '°', $strike(['attack' => 1.0])),
                $row('face', 1.0, '°', $strike(['face' => 1.0])),
                $row('path', 1.0, '°', $strike(['path' => 1.0])),
                $row('toe', 1.0, 'mm', $strike(['toe' => 1.0])),
                $row('toe', 10.0, 'mm', $strike(['toe' => 10.0])),
                $row('heel', 10.0, 'mm', $strike(['toe' => -10.0])),
                $row('high', 5.0, 'mm', $strike(['high' => 5.0])),
                $row('low', 5.0, 'mm', $strike(['high' => -5.0])),
                $row('headGram', 1.0, 'g', $strike(['speed' => $slower], $head->heavier(1.0))),
                $row('spin', self::SPIN_RPM, 'rpm', $spun),
                $row('temperature', self::MORE_C, '°C', $ball, new BallFlight($warmer, turf: $turf)),
                $row('altitude', $steps['altitudeM'], 'm', $ball, new BallFlight($higher, turf: $turf)),
                ...array_map(
                    static fn (array $w): array => $row($w[0], $steps['windMps'], 'm/s', $ball, $wind($w[1])),
                    [['headWind', 0.0], ['tailWind', 180.0], ['windFromLeft', 270.0], ['windFromRight', 90.0]],
                ),
            ],
        ];
    }

    /** @return array<string, float> */
    private static function over(Flight $base, Launch $ball, Flight $then, Launch $thenBall): array
    {
        return [
            'carryM' => $then->carryM - $base->carryM, 'totalM' => $then->totalM - $base->totalM, 'sideM' => $then->sideM - $base->sideM,
            'ballSpeedMps' => $thenBall->ballSpeedMps - $ball->ballSpeedMps, 'launchDeg' => $thenBall->launchDeg - $ball->launchDeg,
            'spinRpm' => $thenBall->spinRpm - $ball->spinRpm,
        ];
    }
}
