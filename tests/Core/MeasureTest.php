<?php

declare(strict_types=1);

use MintCarry\Core\Air\Atmosphere;
use MintCarry\Core\Air\OpenAir;
use MintCarry\Core\Air\Wind;
use MintCarry\Core\Club\Hand;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Launch\TypedShot;
use MintCarry\Core\Units\Dimension;

// A new measure is answered for everywhere, or one of these fails: the steps of CONTRIBUTING.md, "A new measure".

dataset('measures', array_column(array_map(static fn (Measure $m): array => [$m->value, $m], Measure::cases()), 1, 0));

it('is answered for by every rule', function (Measure $measure): void {
    [$low, $high] = $measure->possible();
    [$usualLow, $usualHigh] = $measure->plausible();
    $isText = $measure->dimension() === Dimension::Text;

    expect($measure->label())->not->toBe('')
        ->and($measure->unit() === null)->toBe($isText)
        ->and($measure->units() === [])->toBe($isText)
        ->and($usualLow)->toBeGreaterThanOrEqual($low)->and($usualHigh)->toBeLessThanOrEqual($high)
        ->and($measure->zeroMeansNoReading() && $low < 0 && $measure !== Measure::DynamicLoft)->toBeFalse()
        // What lies on either side of a line says which side a plus is.
        ->and($measure->signs() !== [])->toBe($usualLow < 0 && ! $isText);
    foreach ($measure->units() as $unit) {
        expect($unit->dimension())->toBe($measure->dimension());
    }
})->with('measures');

it('is read from a column that bears its label or its field name', function (Measure $measure): void {
    expect(Measure::fromHeader($measure->label()))->toBe($measure)
        ->and(Measure::fromHeader($measure->value))->toBe($measure);
})->with('measures');

it('is read where it is typed, and mirrored by no hand', function (Measure $measure): void {
    if ($measure->dimension() === Dimension::Text) {
        expect(TypedShot::read([$measure->value => '3'], Hand::Right, new BallFlight)[1])->not->toBe([]);

        return;
    }
    $value = array_sum($measure->plausible()) / 2 + 1;
    foreach (Hand::cases() as $hand) {
        expect(TypedShot::read([$measure->value => $value], $hand, new BallFlight)[0][$measure->value])->toEqualWithDelta($value, 1e-9);
    }
})->with('measures');

it('is moved by wind where it belongs to the flight, and else kept as it was measured', function (Measure $measure): void {
    $launch = ['ballSpeedMps' => 66.0, 'launchDeg' => 13.0, 'spinRpm' => 2600.0, 'directionDeg' => 1.0, 'spinAxisDeg' => 4.0];
    $still = LaunchShot::of($launch, new BallFlight);
    $value = $still->value($measure) ?? array_sum($measure->plausible()) / 2;
    $windy = new OpenAir(new Wind(6.0, 45.0), new Atmosphere(18.0));
    $shot = LaunchShot::of([$measure->value => $value] + $launch, new BallFlight, $windy);

    expect(array_key_exists($measure->value, $shot->asSeen))->toBe($measure->isOfFlight())
        // The wind would have moved it, so that in still air it lies elsewhere.
        ->and(abs($shot->value($measure) - $value) > 1e-3)->toBe($measure->isOfFlight());
})->with(array_filter(Measure::cases(), static fn (Measure $m): bool => $m->dimension() !== Dimension::Text));

it('belongs to the flight where the flight has a figure of its name', function (): void {
    $flown = (new BallFlight)->fly(LaunchShot::launchOf(['ballSpeedMps' => 66.0, 'launchDeg' => 13.0, 'spinRpm' => 2600.0]));
    $of = array_filter(Measure::cases(), static fn (Measure $m): bool => property_exists($flown, $m->value) || method_exists($flown, $m->value));
    foreach ($of as $measure) {
        expect($measure->isOfFlight())->toBeTrue($measure->label());
    }
    expect(count($of))->toBeGreaterThanOrEqual(8);
});
