<?php

declare(strict_types=1);

use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\FlightTarget;
use MintCarry\Core\Report\HeadLoft;
use Tests\MadeFitting;

// Which head loft a wanted delivered loft means, on a rack whose lofts are known.

/** The delivered loft that this target wants, °. */
function wantedLoft(FlightTarget $target): float
{
    return $target->ridge[$target->at]['loftDeg'];
}

it('goes by what players usually add where the own club was not hit', function (): void {
    $target = FlightTarget::of(new Brief(attackDeg: 0.0), 45.0);
    // Players deliver about 2.5° more than the loft that the club presents.
    $near = round(wantedLoft($target) - 2.5, 1);
    $record = MadeFitting::of('right')->head('Far', $near - 3)->head('Near', $near)->hit('A', 'Far', 0, [147, 12, 2500, 0, 0])->record();
    $found = HeadLoft::of($record, $target);
    expect([$found->head, $found->position, $found->from])->toBe(['Near', 'N', 'usual'])->and($found->statedLoftDeg)->toBe($near);
});

it('goes by what the own club delivered where it was hit', function (string $hand): void {
    $target = FlightTarget::of(new Brief(attackDeg: 0.0), 45.0);
    // Delivered two degrees too low with 9°: eleven is wanted, whatever players usually add.
    $low = wantedLoft($target) - 2.0;
    $record = MadeFitting::of($hand)->head('Nine', 9.0)->head('Eleven', 11.0)->head('Fifteen', 15.0)
        ->hit('A', 'Nine', 10, [147, 0.88 * $low, 2100, 0, 0], ['clubMph' => 100])->record();
    $found = HeadLoft::of($record, $target);
    expect([$found->head, $found->from])->toBe(['Eleven', 'measured']);
})->with(['right', 'left']);

it('keeps the sleeve at home among equals, and orders a loft only where it is half a degree nearer', function (): void {
    $target = FlightTarget::of(new Brief(attackDeg: 0.0), 45.0);
    $near = round(wantedLoft($target) - 2.5, 2);
    $of = static fn (float $there, float $toOrder): ?HeadLoft => HeadLoft::of(
        MadeFitting::of('right')->head('There', $there)->head('Ordered', $toOrder, inStock: false)->hit('A', 'There', 0, [147, 12, 2500, 0, 0])->record(), $target,
    );
    expect($of($near - 0.4, $near)->head)->toBe('There')->and($of($near - 0.4, $near)->toOrder)->toBeFalse()
        ->and($of($near - 0.7, $near)->head)->toBe('Ordered')->and($of($near - 0.7, $near)->toOrder)->toBeTrue()
        ->and($of($near, $near)->position)->toBe('N')
        // Off by what the sleeve turns, the sleeve is turned.
        ->and($of($near - 1.5, $near + 6)->position)->toBe('+1.5');
});
