<?php

declare(strict_types=1);

use MintCarry\Core\Air\Atmosphere;
use MintCarry\Core\Air\Wind;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\Flight;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Flight\Turf;

// How the flight answers to a change of one thing: the slopes of docs/physics.md, pinned.

const TOUR = [167 * 0.44704, 10.9, 2686.0];

function flown(
    float $mph = 167, float $launch = 10.9, float $spin = 2686, float $axis = 0, ?Atmosphere $air = null, ?Wind $wind = null,
    Turf $turf = Turf::Medium,
): Flight {
    return (new BallFlight($air ?? new Atmosphere, $wind ?? new Wind, turf: $turf))->fly(
        new Launch($mph * 0.44704, $launch, $spin, 0, $axis),
    );
}

function yd(float $m): float
{
    return $m / 0.9144;
}

it('gains 2.4 yards of carry per mph of ball speed at 120 and 2.0 at 180', function (float $mph, float $yards): void {
    expect(yd(flown($mph + 1)->carryM - flown($mph - 1)->carryM) / 2)->toEqualWithDelta($yards, 0.25);
})->with([[120, 2.4], [180, 2.0]]);

it('gains 2.4 yards in air 10 °C warmer and 10.5 at 1000 m', function (): void {
    $here = flown()->carryM;
    expect(yd(flown(air: new Atmosphere(28))->carryM - $here))->toEqualWithDelta(2.4, 0.3)
        ->and(yd(flown(air: new Atmosphere(18, 1000))->carryM - $here))->toEqualWithDelta(10.5, 0.5);
});

it('loses more into 10 mph of wind than it gains from it', function (): void {
    $still = flown()->carryM;
    $head = yd(flown(wind: new Wind(4.4704, 0))->carryM - $still);
    $tail = yd(flown(wind: new Wind(4.4704, 180))->carryM - $still);
    expect($head)->toEqualWithDelta(-16.5, 1)
        ->and($tail)->toEqualWithDelta(13, 1)
        ->and(abs($head))->toBeGreaterThan($tail);
});

it('is blown the way the wind blows, as far to either side', function (): void {
    $fromRight = flown(wind: new Wind(4.4704, 90));
    $fromLeft = flown(wind: new Wind(4.4704, 270));
    expect($fromRight->sideM)->toBeLessThan(-5)
        ->and($fromLeft->sideM)->toEqualWithDelta(-$fromRight->sideM, 1e-6)
        ->and($fromLeft->carryM)->toEqualWithDelta($fromRight->carryM, 1e-6);
});

it('curves 0.40, 0.58 and 0.74 % of carry per degree of axis at 100, 130 and 160 mph', function (float $mph, float $percent): void {
    $flight = flown($mph, axis: 5);
    expect(100 * $flight->sideM / $flight->carryM / 5)->toEqualWithDelta($percent, 0.06);
})->with([[100, 0.40], [130, 0.58], [160, 0.74]]);

it('loses more to spin above 3000 rpm into the wind than without', function (): void {
    // Common practice, no source: spin above 3000 rpm costs distance, most of all into the wind.
    $cost = fn (?Wind $wind): float => flown(spin: 2600, launch: 12, wind: $wind)->carryM -
        flown(spin: 3600, launch: 12, wind: $wind)->carryM;
    expect($cost(new Wind(6, 0)))->toBeGreaterThan($cost(null))->toBeGreaterThan(0);
});

it('runs 13, 20 and 29.5 yards on soft, medium and firm ground', function (Turf $turf, float $yards): void {
    $flight = flown(turf: $turf);
    expect(yd($flight->totalM - $flight->carryM))->toEqualWithDelta($yards, 1);
})->with([[Turf::Soft, 13], [Turf::Medium, 20], [Turf::Firm, 29.5]]);

it('falls steeper and runs shorter with more spin', function (): void {
    $before = null;
    foreach ([1800, 2200, 2600, 3000, 3400] as $spin) {
        $flight = flown(150, 13, $spin);
        if ($before !== null) {
            expect($flight->descentDeg)->toBeGreaterThan($before->descentDeg)
                ->and($flight->runM())->toBeLessThan($before->runM())
                ->and($flight->apexM)->toBeGreaterThan($before->apexM);
        }
        $before = $flight;
    }
});

it('turns launch direction into side, and leaves curve alone', function (): void {
    [$speed, $launch, $spin] = TOUR;
    $straight = (new BallFlight)->fly(new Launch($speed, $launch, $spin));
    $pushed = (new BallFlight)->fly(new Launch($speed, $launch, $spin, 4));
    expect($pushed->sideM)->toEqualWithDelta($straight->carryM * sin(deg2rad(4)), 0.01)
        ->and($pushed->curveM)->toEqualWithDelta(0, 0.01);
});

it('refuses air and wind that nobody plays in, by name', function (callable $make, string $says): void {
    expect($make)->toThrow(InvalidInput::class, $says);
})->with([
    'colder than the pole' => [fn () => new Atmosphere(-80), 'temperature'],
    'above the highest mountain' => [fn () => new Atmosphere(18, 12000), 'altitude'],
    'a hurricane' => [fn () => new Wind(60), 'windSpeedMps'],
    'a wind from nowhere' => [fn () => new Wind(3, 1000), 'windFromDeg'],
    'a speed that is no number' => [fn () => new Launch(NAN, 11, 2500), 'ballSpeedMps'],
    'an endless spin' => [fn () => new Launch(70, 11, INF), 'spinRpm'],
]);
