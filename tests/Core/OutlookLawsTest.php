<?php

declare(strict_types=1);

use MintCarry\Core\Air\Atmosphere;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\Corridor;
use MintCarry\Core\Fitting\LaunchWindow;
use MintCarry\Core\Fitting\Outlook;
use MintCarry\Core\Fitting\Trouble;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Impact\Delivery;
use MintCarry\Core\Impact\Impact;

// What the outlook says must be what the models say, and move the way the trade knows it to move.

it('has on its ridge just what impact and flight give', function (): void {
    $o = Outlook::of(new Brief(clubSpeedMps: 45, temperatureC: 11, altitudeM: 300));
    $impact = new Impact(new Head);
    $flight = new BallFlight(new Atmosphere(11, 300));
    foreach ([0, 7, count($o->ridge) - 1] as $i) {
        $p = $o->ridge[$i];
        $launch = $impact->strike(new Delivery(45, 0, 0, $p['loftDeg'], 0));
        $flown = $flight->fly($launch);
        expect($p['launchDeg'])->toEqualWithDelta($launch->launchDeg, 1e-9)
            ->and($p['spinRpm'])->toEqualWithDelta($launch->spinRpm, 1e-9)
            ->and($p['carryM'])->toEqualWithDelta($flown->carryM, 1e-9)
            ->and($p['apexM'])->toEqualWithDelta($flown->apexM, 1e-9);
    }
});

it('finds the carry window that the search finds', function (float $mph): void {
    $o = Outlook::of(new Brief(clubSpeedMps: $mph * 0.44704));
    $window = LaunchWindow::forSwing($mph * 0.44704, 0, new BallFlight);
    expect($o->ridge[$o->target]['loftDeg'])->toEqualWithDelta($window->dynamicLoftDeg, 0.5)
        ->and($o->ridge[$o->target]['carryM'])->toEqualWithDelta($window->flight->carryM, 0.3)
        ->and($o->bandDeg[0])->toEqualWithDelta($window->loftBandDeg[0], 0.75)
        ->and($o->bandDeg[1])->toEqualWithDelta($window->loftBandDeg[1], 0.75);
})->with([80, 95, 110]);

it('wants less launch and gives more apex the faster the player', function (): void {
    $before = null;
    foreach ([34, 38, 42, 46, 50, 54] as $speed) {
        $now = Outlook::of(new Brief(clubSpeedMps: $speed));
        if ($before !== null) {
            expect($now->ridge[$now->target]['launchDeg'])->toBeLessThan($before->ridge[$before->target]['launchDeg'])
                ->and($now->ridge[$now->target]['apexM'])->toBeGreaterThan($before->ridge[$before->target]['apexM'])
                ->and($now->price['tenMetres'])->toBeGreaterThan(0);
        }
        $before = $now;
    }
});

it('launches higher from a swing that comes up', function (): void {
    $at = fn (float $attack): float => ($o = Outlook::of(new Brief, 45.0, $attack))->ridge[$o->target]['launchDeg'];
    expect($at(-4))->toBeLessThan($at(0))->and($at(0))->toBeLessThan($at(4));
});

it('has a field that contains its target', function (string $school, float $carry): void {
    $o = Outlook::of(new Brief(carryM: $carry, school: $school));
    $t = $o->ridge[$o->target];
    expect($t['launchDeg'])->toBeGreaterThan($o->field->launchDeg[0])->toBeLessThan(max($o->field->launchDeg))
        ->and($t['spinRpm'])->toBeGreaterThan($o->field->spinRpm[0])->toBeLessThan(max($o->field->spinRpm));
    // A grid point of the field is a flight of that launch.
    $i = 5;
    $flown = (new BallFlight)->fly(new Launch($o->field->ballSpeedMps, $o->field->launchDeg[$i], $o->field->spinRpm[0]));
    expect($o->field->carryM[$i])->toEqualWithDelta($flown->carryM, 1e-9);
})->with(Brief::SCHOOLS)->with([120.0, 190.0, 260.0]);

it('prices trouble by what it is, and each side by itself', function (): void {
    $price = fn (string $left, string $right): array => Outlook::of(
        new Brief(carryM: 200, corridor: new Corridor(30, new Trouble($left), new Trouble($right))),
    )->price;
    $mixed = $price('trees', 'out of bounds');
    expect($mixed['left'])->toBeLessThan($price('water', 'rough')['left'])
        ->and($mixed['right'])->toBeGreaterThan($price('rough', 'water')['right'])
        ->and($price('rough', 'rough')['left'])->toEqualWithDelta($mixed['rough'], 1e-9);
});
