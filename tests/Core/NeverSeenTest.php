<?php

declare(strict_types=1);

use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\FlightLimits;
use MintCarry\Core\Fitting\FlightTarget;
use MintCarry\Core\Fitting\NeverSeen;
use MintCarry\Core\Statistics\Normal;

// What must never be seen: chances, prices and what is barred, by hand.

const NO_PRICE = ['tenMetres' => 0.0, 'rough' => 0.0, 'left' => 0.0, 'right' => 0.0];

/** @param  list<string>  $kinds */
function neverBrief(array $kinds): Brief
{
    return new Brief(never: $kinds);
}

it('counts a side, and of a two-way miss the smaller of the two', function (): void {
    $chances = NeverSeen::chances(neverBrief(['left', 'right', 'two-way miss']), null, 0.3, 0.1, [30.0, 4.0], [38.0, 4.0]);
    expect($chances)->toBe(['left' => 0.3, 'right' => 0.1, 'two-way miss' => 0.1]);
});

it('counts a low runner by its height or its descent, whichever says more, and a balloon likewise', function (): void {
    $limits = FlightLimits::of(FlightTarget::of(new Brief, 45.0));
    $of = static fn (array $apex, array $descent): array => NeverSeen::chances(
        neverBrief(['low runner', 'balloon']), $limits, 0.1, 0.1, $apex, $descent,
    );
    $low = Normal::cdf(($limits->lowApexM - 15.0) / 4.0);
    $flat = Normal::cdf(($limits->lowDescentDeg - 30.0) / 5.0);
    $high = 1 - Normal::cdf(($limits->highApexM - 40.0) / 4.0);
    expect($of([15.0, 4.0], [60.0, 5.0])['low runner'])->toEqualWithDelta($low, 1e-9)
        ->and($of([90.0, 4.0], [30.0, 5.0])['low runner'])->toEqualWithDelta($flat, 1e-9)
        ->and($of([40.0, 4.0], [20.0, 5.0])['balloon'])->toEqualWithDelta($high, 1e-9)
        // A spread that nobody knows is a decimetre at least.
        ->and($of([$limits->lowApexM - 0.05, 0.0], [60.0, 5.0])['low runner'])->toEqualWithDelta(Normal::cdf(0.5), 1e-6)
        ->and(NeverSeen::chances(neverBrief(['low runner', 'balloon']), null, 0.1, 0.1, [9.0, 1.0], [9.0, 1.0]))
        ->toBe(['low runner' => 0.0, 'balloon' => 0.0]);
});

it('prices what it is more in strokes, and in the metres that are worth as many', function (): void {
    $limits = FlightLimits::of(FlightTarget::of(new Brief, 45.0));
    $price = ['tenMetres' => 0.05, 'rough' => 0.2, 'left' => 0.8, 'right' => 0.4];
    $kinds = ['left', 'right', 'two-way miss', 'low runner', 'balloon'];
    $of = static fn (float $chance): array => array_fill_keys($kinds, [$chance, $chance, $chance + 0.02, $chance - 0.02]);
    $told = array_column(array_map(static fn (NeverSeen $n): array => (array) $n, NeverSeen::of($of(0.3), $of(0.1), neverBrief($kinds), $price, $limits)), null, 'kind');
    foreach (['left' => 0.8, 'right' => 0.4, 'two-way miss' => 0.6, 'low runner' => 0.005 * $limits->lowLossM, 'balloon' => 0.005 * $limits->balloonLossM] as $kind => $each) {
        expect($told[$kind]['chance'])->toEqualWithDelta(0.3, 1e-9)->and($told[$kind]['ofBenchmark'])->toEqualWithDelta(0.1, 1e-9)
            ->and($told[$kind]['strokes'])->toEqualWithDelta($each * 0.2, 1e-9)
            ->and($told[$kind]['metres'])->toEqualWithDelta($each * 0.2 / 0.005, 1e-9);
    }
    expect(NeverSeen::of($of(0.3), $of(0.1), neverBrief(['left']), NO_PRICE, null)[0]->metres)->toBe(0.0);
});

it('bars five points more with a chance of eight in ten, and not less', function (array $more, bool $isBarred): void {
    $benchmark = array_fill(0, 10, 0.10);
    $setup = array_map(static fn (float $m): float => 0.10 + $m, $more);
    expect(NeverSeen::of(['left' => $setup], ['left' => $benchmark], neverBrief(['left']), NO_PRICE, null)[0]->isBarred)->toBe($isBarred);
})->with([
    'eight of ten' => [[...array_fill(0, 8, 0.06), 0.0, 0.0], true],
    'seven of ten' => [[...array_fill(0, 7, 0.06), 0.0, 0.0, 0.0], false],
    'four points' => [array_fill(0, 10, 0.04), false],
    'less of it' => [array_fill(0, 10, -0.06), false],
]);

it('holds a centred setup against the benchmark’s own spread on the line', function (): void {
    $brief = neverBrief(['left']);
    // All balls of the benchmark end right: none left. On the line a tenth would.
    $right = ['left' => array_fill(0, 10, 0.0), 'left if centred' => array_fill(0, 10, 0.10)];
    $of = static fn (float $left): bool => NeverSeen::of(['left' => array_fill(0, 10, $left)], $right, $brief, NO_PRICE, null)[0]->isBarred;
    expect($of(0.14))->toBeFalse()->and($of(0.16))->toBeTrue()
        ->and(NeverSeen::chances($brief, null, 0.0, 0.6, [30.0, 4.0], [38.0, 4.0], [0.1, 0.12])['left if centred'])->toBe(0.1)
        ->and(NeverSeen::chances(neverBrief(['two-way miss']), null, 0.0, 0.6, [30.0, 4.0], [38.0, 4.0], [0.1, 0.12])['two-way miss if centred'])->toBe(0.1);
});

it('tells means over draws where the benchmark has more of them', function (): void {
    $told = NeverSeen::of(['left' => [0.2, 0.4]], ['left' => [0.1, 0.1, 0.4]], neverBrief(['left']), NO_PRICE, null)[0];
    expect($told->chance)->toEqualWithDelta(0.3, 1e-9)->and($told->ofBenchmark)->toEqualWithDelta(0.2, 1e-9)->and($told->likelier)->toBe(1.0);
});
