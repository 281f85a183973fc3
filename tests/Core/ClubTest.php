<?php

declare(strict_types=1);

use Eris\Generator;
use Eris\TestTrait;
use MintCarry\Core\Club\AddressHabit;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Club\HeadReading;
use MintCarry\Core\Club\PlayingGeometry;
use MintCarry\Core\Club\Shaft;
use MintCarry\Core\Club\SleeveCard;
use MintCarry\Core\Club\SleeveChange;
use MintCarry\Core\Club\SleeveTilt;
use MintCarry\Core\Club\SwingWeight;
use MintCarry\Core\Club\Weights;
use MintCarry\Core\Club\WeightSlot;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Impact\PlayerPriors;

uses(TestTrait::class);

// Trade fact CP13 (common practice, no source): printed 9.5 reads 7.5; set to a printed +1.5 and squared it plays about 9, not 11.
it('meets CP13: playing loft comes from the gauge', function (): void {
    $g = PlayingGeometry::of(new HeadReading(7.5), new SleeveChange(loftDeg: 1.5), 1.0);
    expect($g->loftDeg)->toEqualWithDelta(9.0, 0.3);
});

// Source: exact rotations tabulated in docs/physics.md: tilt 1.5°, lie 58, loft 10.5.
it('presents what exact rotations give', function (float $clock, float $lie, float $face, float $loft): void {
    $head = new HeadReading(10.5, 58);
    $soled = PlayingGeometry::present($head, [new SleeveTilt(1.5, $clock)], 0);
    $squared = PlayingGeometry::present($head, [new SleeveTilt(1.5, $clock)], 1);
    expect($soled->lieDeg - 58)->toEqualWithDelta($lie, 0.006)
        ->and($soled->faceOpenDeg)->toEqualWithDelta($face, 0.006)
        ->and($soled->loftDeg)->toBe(10.5)
        ->and($squared->loftDeg - 10.5)->toEqualWithDelta($loft, 0.006)
        ->and($squared->faceOpenDeg)->toEqualWithDelta(0.0, 1e-12)
        ->and($squared->lieDeg)->toBe($soled->lieDeg);
})->with([
    [30, 1.29, -1.47, 0.87],
    [90, -0.03, -2.83, 1.77],
    [180, -1.50, 0, 0],
    [240, -0.77, 2.40, -1.54],
    [300, 0.73, 2.50, -1.52],
]);

// Source: docs/physics.md: a face that sits closed, squared, adds cot(lie) of loft per degree: 0.675, 0.625, 0.577 at lie 56, 58, 60.
it('adds loft when a closed face is turned back to square', function (float $lie, float $per): void {
    $g = PlayingGeometry::present(new HeadReading(10, $lie, -1), [], 1);
    expect($g->loftDeg)->toEqualWithDelta(10 + $per, 0.01);
})->with([[56, 0.675], [58, 0.625], [60, 0.577]]);

it('mixes the two habits by how far the player squares', function (): void {
    $head = new HeadReading(10.5, 58);
    $tilt = [new SleeveTilt(1.2, 70)];
    $half = PlayingGeometry::present($head, $tilt, 0.5);
    $none = PlayingGeometry::present($head, $tilt, 0);
    $full = PlayingGeometry::present($head, $tilt, 1);
    expect($half->loftDeg)->toEqualWithDelta(($none->loftDeg + $full->loftDeg) / 2, 1e-12)
        ->and($half->faceOpenDeg)->toEqualWithDelta($none->faceOpenDeg / 2, 1e-12)
        ->and(fn () => PlayingGeometry::present($head, $tilt, 1.2))->toThrow(InvalidInput::class);
});

it('adds two rings as rotations, close to the sum of the tilts', function (): void {
    $head = new HeadReading(10.5, 58);
    $two = PlayingGeometry::present($head, [new SleeveTilt(1, 90), new SleeveTilt(1, 90)], 1);
    $one = PlayingGeometry::present($head, [new SleeveTilt(2, 90)], 1);
    expect($two->loftDeg)->toEqualWithDelta($one->loftDeg, 0.06);
    $off = PlayingGeometry::present($head, [new SleeveTilt(1, 90), new SleeveTilt(1, 270)], 1);
    expect($off->loftDeg)->toEqualWithDelta(10.5, 0.06)->and($off->lieDeg)->toEqualWithDelta(58, 0.06);
});

it('refers a reading to the position in which it was taken', function (): void {
    $straight = new HeadReading(10.5, 58, 0.5);
    $this->forAll(Generator\choose(0, 359), Generator\choose(0, 20), Generator\choose(0, 359))->then(function (
        int $readClock, int $tenths, int $clock,
    ) use ($straight): void {
        $readAt = [new SleeveTilt($tenths / 10, $readClock)];
        $shown = PlayingGeometry::present($straight, $readAt, 0);
        $read = new HeadReading($shown->loftDeg, $shown->lieDeg, $shown->faceOpenDeg);
        $same = PlayingGeometry::present($read, $readAt, 0, $readAt);
        $other = PlayingGeometry::present($read, [new SleeveTilt(1.3, $clock)], 1, $readAt);
        $wanted = PlayingGeometry::present($straight, [new SleeveTilt(1.3, $clock)], 1);
        expect($same->faceOpenDeg)->toEqualWithDelta($shown->faceOpenDeg, 1e-6)
            ->and($same->lieDeg)->toEqualWithDelta($shown->lieDeg, 1e-6)
            ->and($other->loftDeg)->toEqualWithDelta($wanted->loftDeg, 1e-6)
            ->and($other->lieDeg)->toEqualWithDelta($wanted->lieDeg, 1e-6);
    });
});

it('reads a loft that was taken with the face held square', function (): void {
    $g = PlayingGeometry::present(new HeadReading(11.0, 58, -1.0), [], 0, [], AddressHabit::Squared);
    expect($g->loftDeg)->toEqualWithDelta(11.0 - 0.625, 0.02);
});

it('finds tilt and clock back from printed changes', function (): void {
    $head = new HeadReading(10.5, 58);
    $this->forAll(Generator\choose(2, 20), Generator\choose(0, 359))->then(function (int $tenths, int $clock) use ($head): void {
        $tilt = [new SleeveTilt($tenths / 10, $clock)];
        $soled = PlayingGeometry::present($head, $tilt, 0);
        $squared = PlayingGeometry::present($head, $tilt, 1);
        $found = SleeveCard::solve(
            $head, new SleeveChange($squared->loftDeg - 10.5, $soled->faceOpenDeg, $soled->lieDeg - 58), AddressHabit::Squared,
        );
        expect($found->residualDeg)->toBeLessThan(1e-5)
            ->and($found->tiltDeg)->toEqualWithDelta($tenths / 10, 1e-4)
            ->and(abs(fmod($found->clockDeg - $clock + 540, 360) - 180))->toBeLessThan(0.01)
            ->and($found->isPossible())->toBeTrue();
    });
});

// Source: docs/physics.md: "+1.5 loft" is true only squared, needs a tilt of 1.27° at lie 58, and soles 2.4° closed.
it('knows what a printed +1.5 needs, and that it cannot be true on the sole', function (): void {
    $head = new HeadReading(10.5, 58);
    $card = SleeveCard::solve($head, new SleeveChange(loftDeg: 1.5), AddressHabit::Squared);
    expect($card->tiltDeg)->toEqualWithDelta(1.27, 0.005)
        ->and(PlayingGeometry::present($head, $card->tilts(), 0)->faceOpenDeg)->toEqualWithDelta(-2.4, 0.02)
        ->and(SleeveCard::solve($head, new SleeveChange(loftDeg: 1.5), AddressHabit::Soled)->isPossible())->toBeFalse()
        ->and(SleeveCard::solve($head, new SleeveChange(1.5, 2.0, 0.0), AddressHabit::Squared)->isPossible())->toBeFalse()
        ->and(SleeveCard::solve($head, new SleeveChange, AddressHabit::Squared)->tilts())->toBe([]);
});

it('refuses a loft no driver has', function (): void {
    expect(fn () => new HeadReading(105))->toThrow(InvalidInput::class, 'loftDeg is 105 °');
});

// Source: docs/physics.md worked values: 12 g over 70 mm in a 202 g head moves the CG 4.16 mm; 8 g over 60 mm 2.38 mm.
it('moves the CG as a worked example does', function (float $grams, float $mm, float $cg): void {
    $empty = new Head(massG: 202 - $grams);
    $slots = [new WeightSlot('one', 0, 20, 0), new WeightSlot('two', 0, 20 + $mm, 0)];
    $moved = Weights::place($empty, $slots, ['two' => $grams])->cgBackMm - Weights::place($empty, $slots, ['one' => $grams])->cgBackMm;
    expect($moved)->toEqualWithDelta($cg, 0.005);
})->with([[12, 70, 4.16], [8, 60, 2.38]]);

// Source: parallel-axis theorem, two point masses on a rod: I = m₁m₂/(m₁+m₂) d² about the common CG (any mechanics text).
it('adds inertia by the parallel-axis theorem, products kept', function (): void {
    $empty = new Head(10.5, 200, 0, 30, 0, [[1000, 0, 0], [0, 1000, 0], [0, 0, 1000]]);
    $head = Weights::place($empty, [new WeightSlot('toe', 40, 60, 10)], ['toe' => 20]);
    $reduced = 200 * 20 / 220;
    [$x, $y, $z] = [-3.0, -4.0, 1.0]; // cm from the head's CG: target, toe-to-heel, up
    expect($head->inertiaGcm2[0][0])->toEqualWithDelta(1000 + $reduced * ($y * $y + $z * $z), 1e-9)
        ->and($head->inertiaGcm2[1][1])->toEqualWithDelta(1000 + $reduced * ($x * $x + $z * $z), 1e-9)
        ->and($head->inertiaGcm2[2][2])->toEqualWithDelta(1000 + $reduced * ($x * $x + $y * $y), 1e-9)
        ->and($head->inertiaGcm2[0][1])->toEqualWithDelta(-$reduced * $x * $y, 1e-9)
        ->and($head->inertiaGcm2[0][2])->toEqualWithDelta(-$reduced * $x * $z, 1e-9)
        ->and($head->inertiaGcm2[2][1])->toEqualWithDelta(-$reduced * $y * $z, 1e-9)
        ->and($head->massG)->toBe(220.0)
        ->and($head->cgToeMm)->toEqualWithDelta(40 * 20 / 220, 1e-9);
});

it('gives the same head whatever order the weights go in', function (): void {
    $slots = [new WeightSlot('a', 30, 40, 0), new WeightSlot('b', -30, 90, -10)];
    $ab = Weights::place(new Head(massG: 190), $slots, ['a' => 4.0, 'b' => 10.0]);
    $ba = Weights::place(new Head(massG: 190), array_reverse($slots), ['b' => 10.0, 'a' => 4.0]);
    expect($ab->inertiaGcm2[0][1])->toEqualWithDelta($ba->inertiaGcm2[0][1], 1e-9)
        ->and($ab->cgBackMm)->toEqualWithDelta($ba->cgBackMm, 1e-12);
});

it('refuses slots that are not there and heads too heavy', function (): void {
    $slots = [new WeightSlot('back', 0, 90, 0)];
    expect(fn () => Weights::place(new Head, $slots, ['toe' => 4.0]))->toThrow(InvalidInput::class, "no slot 'toe'; it has back")
        ->and(fn () => Weights::place(new Head, $slots, ['back' => 59.0]))
        ->toThrow(InvalidInput::class, 'no driver head has more than 260 g')
        ->and(fn () => Weights::place(new Head, $slots, ['back' => -4.0]))->toThrow(InvalidInput::class);
});

it('lists only legal arrangements, each once', function (): void {
    $slots = [new WeightSlot('front', 0, 20, -10, 0, 15), new WeightSlot('back', 0, 100, -5, 4, 15, mayBeEmpty: false)];
    $all = Weights::arrangements($slots, [4.0, 4.0, 12.0, 20.0]);
    expect($all)->toHaveCount(5)
        ->and($all)
        ->toContain(
            ['back' => 4.0], ['back' => 12.0], ['front' => 4.0, 'back' => 4.0], ['front' => 4.0, 'back' => 12.0],
            ['front' => 12.0, 'back' => 4.0],
        )
        ->and(Weights::arrangements($slots, [20.0]))->toBe([])
        ->and(Weights::arrangements([], [4.0]))->toBe([[]]);
});

it('never places a piece twice, nor one a slot does not take', function (): void {
    $slots = array_map(fn (int $i): WeightSlot => new WeightSlot("s{$i}", 10 * $i, 50, 0, 2, 14), range(0, 3));
    $this->forAll(Generator\vector(4, Generator\elements(1.0, 2.0, 4.0, 8.0, 14.0, 18.0)))->then(function (array $stock) use (
        $slots,
    ): void {
        $seen = [];
        foreach (Weights::arrangements($slots, $stock) as $placed) {
            $used = array_count_values(array_map(strval(...), $placed));
            $have = array_count_values(array_map(strval(...), $stock));
            foreach ($used as $mass => $count) {
                expect($count)->toBeLessThanOrEqual($have[$mass])
                    ->and((float) $mass)->toBeGreaterThanOrEqual(2.0)->toBeLessThanOrEqual(14.0);
            }
            ksort($placed);
            $key = json_encode($placed);
            expect(isset($seen[$key]))->toBeFalse();
            $seen[$key] = true;
        }
    });
});

it('says what a moved CG does to delivered loft and face, with its width', function (): void {
    $effect = PlayerPriors::delivered(new Head(cgBackMm: 33), new Head(cgBackMm: 35, cgToeMm: -3));
    expect($effect['loftDeg'])->toEqualWithDelta([0.7, 0.4, 1.2], 1e-9)
        ->and($effect['openDeg'])->toEqualWithDelta([-0.3, -0.45, -0.15], 1e-9);
});

// Source: the moment worked by hand: (202·(1155.7−12−355.6) + 60·(610−355.6) + 50·(100−355.6)) g·mm over 28.3495 g/oz and 25.4
// mm/in; D0 = 213.5, a point 1.75 (common scale, from memory).
it('weighs a club’s swing as a worked example does', function (): void {
    $swing = SwingWeight::of(202, 1155.7, 60, 610, 50);
    $byHand = (202 * 788.1 + 60 * 254.4 - 50 * 255.6) / 28.349523125 / 25.4;
    expect($swing->momentOzIn)->toEqualWithDelta($byHand, 1e-9)
        ->and($swing->label())->toBe('D'.rtrim(rtrim(sprintf('%.1f', ($byHand - 213.5) / 1.75), '0'), '.'))
        // Trade facts, common practice: 2 g at the head is about a point, half an inch about three (2.4 at constant masses).
        ->and(SwingWeight::of(204, 1155.7, 60, 610, 50)->points() - $swing->points())->toEqualWithDelta(1.2, 0.15)
        ->and(SwingWeight::of(202, 1155.7 + 12.7, 60, 610 + 6, 50)->points() - $swing->points())->toEqualWithDelta(2.4, 0.3);
});

// Common practice, no source.
it('calls a 200 g head at 45.5 in on a shaft of 65 g before cutting with a 50 g grip D2 to D4', function (): void {
    $points = fn (float $lengthMm): float => SwingWeight::with(200, $lengthMm, Shaft::inClub($lengthMm, null, 65.0, null), 50)->points();
    expect($points(1155.7))->toBeGreaterThan(32.0)->toBeLessThan(34.0)
        ->and($points(1155.7 + 12.7) - $points(1155.7))->toBeGreaterThan(2.3)->toBeLessThan(3.2);
});

it('cuts a shaft at the butt as weighing its slices does', function (float $mass, float $balance, float $raw, float $cut): void {
    $shaft = Shaft::raw($mass, $balance, $raw)->cutTo($raw - $cut);
    // The rod in thin slices, its mass per length falling or growing evenly so that it balances where it was measured.
    $slices = 20000;
    $lean = 6 * (0.5 - $balance / $raw);
    $kept = $moment = 0.0;
    for ($i = 0; $i < $slices; $i++) {
        $x = ($i + 0.5) / $slices * $raw;
        $slice = $mass / $slices * (1 + $lean * (1 - 2 * $x / $raw));
        if ($x > $cut) {
            $kept += $slice;
            $moment += $slice * ($x - $cut);
        }
    }
    expect($shaft->massG)->toEqualWithDelta($kept, 0.01)
        ->and($shaft->balanceFromButtMm)->toEqualWithDelta($moment / $kept, 0.1)
        ->and($shaft->lengthMm)->toBe($raw - $cut);
})->with([[65.0, 572.0, 1168.4, 44.7], [80.0, 540.0, 1168.4, 60.0], [45.0, 600.0, 1193.8, 100.0]]);

it('leaves a shaft as it is where it was measured cut, or is short already', function (): void {
    expect(Shaft::inClub(1143.0, 61.0, 66.0, 540.0))->toEqual(new Shaft(61.0, 540.0, 1111.0))
        ->and(Shaft::raw(60.0, 500.0, 1050.0)->cutTo(1111.0))->toEqual(new Shaft(60.0, 500.0, 1050.0));
});

it('finds the point of the face in line with the CG', function (): void {
    // Worked by hand: 35 mm back, 4 mm below the face centre, loft 10.5°: 35 sin 10.5 − 4 cos 10.5 = 6.378 − 3.933 = 2.445 mm high.
    [$toe, $high] = (new Head(10.5, cgToeMm: 1.5, cgBackMm: 35, cgUpMm: -4))->inLineWithCg();
    expect($toe)->toBe(1.5)->and($high)->toEqualWithDelta(2.445, 0.001);
});

it('speaks swing weights on the letter scale', function (float $headG, string $label): void {
    expect(SwingWeight::of($headG, 1143, 60, 600, 50)->label())->toStartWith($label);
})->with([[170, 'B'], [185, 'C'], [205, 'D']]);
