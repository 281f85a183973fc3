<?php

declare(strict_types=1);

use MintCarry\Core\Club\AddressHabit;
use MintCarry\Core\Club\HeadReading;
use MintCarry\Core\Club\PlayingGeometry;
use MintCarry\Core\Club\SleeveChange;
use MintCarry\Core\CoreException;

// Trade fact CP13 (common practice, no source): printed 9.5 reads 7.5; set to a printed +1.5 and squared it plays about 9, not 11.
it('meets CP13: playing loft comes from the gauge', function (): void {
    expect(PlayingGeometry::of(new HeadReading(7.5), new SleeveChange(loftDeg: 1.5), AddressHabit::Squared)->loftDeg)->toEqualWithDelta(9.0, 0.3);
});

// Source: exact rotations tabulated in docs/physics.md: a tilt that adds 1.5° squared at lie 58 soles 2.4° closed, loft unchanged.
it('turns the face and keeps the loft when the head sits on its sole', function (): void {
    $soled = PlayingGeometry::of(new HeadReading(10.5, 58), new SleeveChange(loftDeg: 1.5), AddressHabit::Soled);
    expect($soled->loftDeg)->toBe(10.5)->and($soled->faceOpenDeg)->toEqualWithDelta(-2.4, 0.05);
});

// Source: docs/physics.md, a face that sits closed, squared, adds loft: 0.675, 0.625, 0.577 per degree at lie 56, 58, 60.
it('adds loft when a closed face is turned back to square', function (float $lie, float $per): void {
    expect(PlayingGeometry::of(new HeadReading(10, $lie, -1), new SleeveChange, AddressHabit::Squared)->loftDeg)->toEqualWithDelta(10 + $per, 0.001);
})->with([[56, 0.6745], [58, 0.6249], [60, 0.5774]]);

it('works back from a printed face change to the loft it makes when squared', function (): void {
    $g = PlayingGeometry::of(new HeadReading(10.5, 58), new SleeveChange(faceOpenDeg: -2.83, lieDeg: -0.03), AddressHabit::Squared);
    expect($g->loftDeg)->toEqualWithDelta(12.27, 0.05)
        ->and($g->lieDeg)->toEqualWithDelta(57.97, 1e-9)
        ->and($g->faceOpenDeg)->toBe(0.0);
});

it('refuses a loft no driver has', fn () => expect(fn () => new HeadReading(105))->toThrow(CoreException::class, 'loftDeg is 105 °'));
