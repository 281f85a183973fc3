<?php

declare(strict_types=1);

use Eris\Generator;
use Eris\TestTrait;
use MintCarry\Core\Club\AddressHabit;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Club\HeadReading;
use MintCarry\Core\Club\HeadReadings;
use MintCarry\Core\Club\PlayingGeometry;
use MintCarry\Core\Club\ReadingSet;
use MintCarry\Core\Club\SleeveSystem;
use MintCarry\Core\Club\Weights;
use MintCarry\Core\Club\WeightSlot;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Impact\FaceMap;

uses(TestTrait::class);

/** A bore tilted 1.5°, turned to eight places; home is upright. @param  array<string, mixed>  $more */
function turned(array $more = []): SleeveSystem
{
    $positions = array_map(
        fn (int $i): array => ['label' => ['UP', 'L+', 'C+', 'F+', 'F', 'F-', 'O-', 'L-'][$i], 'clockDeg' => 45 * $i], range(0, 7),
    );

    return SleeveSystem::fromArray(
        $more + ['name' => 'Turn eight', 'kind' => 'single', 'tiltDeg' => 1.5, 'positions' => $positions, 'home' => 'UP'],
    );
}

it('knows single, two-ring and card sleeves', function (): void {
    $rings = SleeveSystem::fromArray([
        'name' => 'R', 'kind' => 'rings', 'ringTiltsDeg' => [0.75, 0.75],
        'positions' => [['label' => 'A1', 'clocksDeg' => [90, 270]], ['label' => 'B2', 'clocksDeg' => [90, 90]]],
    ]);
    $card = SleeveSystem::fromArray([
        'name' => 'C', 'kind' => 'card',
        'positions' => [['label' => 'N', 'loftDeg' => 0, 'lieDeg' => 0], ['label' => '+1', 'loftDeg' => 1.0]],
    ]);
    $head = new HeadReading(10.5);
    expect(turned()->positions)->toHaveCount(8)
        ->and(PlayingGeometry::present($head, $rings->position('A1')->tilts, 1)->loftDeg)->toEqualWithDelta(10.5, 0.02)
        // Two rings of 0.75 toward the target are one tilt of 1.5: sin φ / sin L per degree (docs/physics.md).
        ->and(PlayingGeometry::present($head, $rings->position('B2')->tilts, 1)->loftDeg)
        ->toEqualWithDelta(10.5 + 1.5 / sin(deg2rad(58)), 0.03)
        ->and(PlayingGeometry::present($head, $card->position('+1')->tilts, 1)->loftDeg)->toEqualWithDelta(11.5, 1e-3)
        ->and($card->home)->toBe('N');
});

it('refuses a sleeve that cannot be, naming the position', function (array $spec, string $says): void {
    expect(fn () => SleeveSystem::fromArray($spec + ['name' => 'S', 'kind' => 'single', 'tiltDeg' => 1]))->toThrow(
        InvalidInput::class, $says,
    );
})->with([
    'no name' => [['name' => ' ', 'positions' => [['label' => 'N', 'clockDeg' => 0]]], 'A name is missing'],
    'a fourth kind' => [['kind' => 'magnet'], 'single (one tilt, turned), rings'],
    'no position' => [['positions' => []], 'between 1 and 40'],
    'one label twice' => [
        ['positions' => [['label' => 'N', 'clockDeg' => 0], ['label' => 'N', 'clockDeg' => 90]]], "Two positions are labelled 'N'",
    ],
    'no clock' => [['positions' => [['label' => 'N', 'clockDeg' => 0], ['label' => 'X']]], "Position 'X': Where it points"],
    'a clock in words' => [['positions' => [['label' => 'N', 'clockDeg' => 'noon']]], "Position 'N'"],
    'a tilt of 20' => [['tiltDeg' => 20, 'positions' => [['label' => 'N', 'clockDeg' => 0]]], 'tiltDeg is 20'],
    'half a ring' => [
        ['kind' => 'rings', 'ringTiltsDeg' => [1], 'positions' => [['label' => 'N', 'clocksDeg' => [0, 0]]]], 'two tilts',
    ],
    'a home that is not there' => [
        ['home' => 'Z', 'positions' => [['label' => 'N', 'clockDeg' => 0]]], "home position 'Z' is not one of N",
    ],
    'a printed loft of 30' => [
        ['positions' => [['label' => 'N', 'clockDeg' => 0, 'loftDeg' => 30]]], "Position 'N': sleeve loftDeg is 30",
    ],
]);

it('names the positions there are when asked for one that is not', function (): void {
    expect(fn () => turned()->position('XX'))->toThrow(InvalidInput::class, "no position 'XX'; it has UP, L+");
});

it('checks the print against geometry', function (): void {
    // Source: docs/physics.md: face = −τ / cos L and Δloft = τ / sin L for a tilt toward the target; the stamped 58° holds
    // upright, so the straight shaft lies at 58 − 1.27 = 56.73°: −2.31° and +1.52°. A card that prints +1.5 of loft and no change
    // of face cannot be.
    $honest = SleeveSystem::fromArray([
        'name' => 'H', 'kind' => 'single', 'tiltDeg' => 1.27, 'home' => 'N',
        'positions' => [
            ['label' => 'N', 'clockDeg' => 0, 'loftDeg' => 0],
            ['label' => '+', 'clockDeg' => 90, 'loftDeg' => 1.5, 'faceOpenDeg' => -2.3],
        ],
    ]);
    $check = array_column($honest->check(new HeadReading(10.5)), null, 'label');
    expect($check['+']['loftDeg'])->toEqualWithDelta(1.52, 0.02)
        ->and($check['+']['faceOpenDeg'])->toEqualWithDelta(-2.31, 0.02)
        ->and($check['+']['agrees'])->toBeTrue();
    $wishful = SleeveSystem::fromArray([
        'name' => 'W', 'kind' => 'card',
        'positions' => [['label' => 'N'], ['label' => '+', 'loftDeg' => 1.5, 'faceOpenDeg' => 0, 'lieDeg' => 0]],
    ]);
    $check = array_column($wishful->check(new HeadReading(10.5)), null, 'label');
    expect($check['+']['agrees'])->toBeFalse()
        ->and($check['+']['missDeg'])->toBeGreaterThan(0.6)
        ->and($check['N']['agrees'])->toBeTrue();
});

it('lays soled positions on one loft and squared ones at square', function (): void {
    $straight = new HeadReading(10.2, 58.4, 0.3);
    foreach (turned()->plane($straight, 0.0) as $p) {
        expect($p['loftDeg'])->toBe(10.2);
    }
    foreach (turned()->plane($straight, 1.0) as $p) {
        expect($p['faceOpenDeg'])->toEqualWithDelta(0, 1e-9);
    }
    $mixed = array_column(turned()->plane($straight, 0.5), null, 'label');
    expect($mixed['C+']['loftDeg'])->toBeGreaterThan($mixed['UP']['loftDeg'])
        ->and($mixed['C+']['faceOpenDeg'])->toBeLessThan($mixed['UP']['faceOpenDeg'])
        ->and($mixed['O-']['faceOpenDeg'])->toBeGreaterThan($mixed['UP']['faceOpenDeg'])
        ->and($mixed['UP']['lieDeg'])->toBeGreaterThan($mixed['F']['lieDeg']);
});

it('averages a set of readings, and doubts one that lies far from the others', function (): void {
    $set = new ReadingSet(['loftDeg' => [9.1, 9.3, 9.2], 'massG' => [201.0]]);
    expect($set->mean('loftDeg'))->toEqualWithDelta(9.2, 1e-12)
        ->and($set->spread('loftDeg'))->toEqualWithDelta(0.2, 1e-12)
        ->and($set->spread('massG'))->toBe(0.0)
        ->and($set->doubtful())->toBe([]);
    $odd = new ReadingSet(['loftDeg' => [9.1, 12.3, 9.2]]);
    expect($odd->doubtful())->toHaveCount(1)
        ->and($odd->doubtful()[0])->toMatchArray(['quantity' => 'loftDeg', 'value' => 12.3]);
    // Two that disagree: neither can be said to be the wrong one.
    expect((new ReadingSet(['loftDeg' => [9.1, 12.3]]))->doubtful())->toBe([]);
});

it('refuses readings of nothing, of nonsense and of the impossible', function (array $values, string $says): void {
    expect(fn () => new ReadingSet($values))->toThrow(InvalidInput::class, $says);
})->with([
    [[], 'at least one value'],
    [['loftDeg' => []], 'at least one value'],
    [['loftDeg' => [105.0]], 'loftDeg is 105'],
    [['weight' => [3.0]], "'weight' is not something"],
    [['loftDeg' => array_fill(0, 11, 9.0)], 'at most ten readings'],
    [['massG' => [20.0]], 'massG is 20'],
]);

it('puts the latest reading in force, value by value, and keeps the rest', function (): void {
    $readings = new HeadReadings(new HeadReading(10.5), turned(), [
        new ReadingSet(['loftDeg' => [9.0], 'lieDeg' => [59.0]], 'UP'),
        new ReadingSet(['loftDeg' => [9.4, 9.6]], 'UP'),
    ]);
    expect($readings->inForce('loftDeg')?->mean('loftDeg'))->toEqualWithDelta(9.5, 1e-12)
        ->and($readings->inForce('lieDeg')?->mean('lieDeg'))->toBe(59.0)
        ->and($readings->inForce('massG'))->toBeNull()
        ->and($readings->loftOffDeg())->toEqualWithDelta(1.0, 1e-9)
        ->and((new HeadReadings(new HeadReading(10.5), turned(), []))->loftOffDeg())->toBeNull();
});

it('refers a reading at any position to every other, as the geometry has it', function (): void {
    $sleeve = turned();
    $truth = new HeadReading(9.3, 57.6, 0.8);
    $labels = array_keys($sleeve->positions);
    $this->forAll(Generator\elements(...$labels), Generator\elements(...$labels), Generator\elements(...$labels))->then(function (
        string $loftAt, string $lieAt, string $faceAt,
    ) use ($sleeve, $truth): void {
        $shown = fn (string $at): PlayingGeometry => PlayingGeometry::present($truth, $sleeve->position($at)->tilts, 0.0);
        $readings = new HeadReadings(new HeadReading(10.5, 58, 0), $sleeve, [
            new ReadingSet(['faceOpenDeg' => [$shown($faceAt)->faceOpenDeg]], $faceAt),
            new ReadingSet(['lieDeg' => [$shown($lieAt)->lieDeg]], $lieAt),
            new ReadingSet(
                ['loftDeg' => [PlayingGeometry::present($truth, $sleeve->position($loftAt)->tilts, 1.0)->loftDeg]], $loftAt,
                AddressHabit::Squared,
            ),
        ]);
        $straight = $readings->straight();
        expect($straight->lieDeg)->toEqualWithDelta(57.6, 1e-4)
            ->and($straight->faceOpenDeg)->toEqualWithDelta(0.8, 1e-3)
            ->and($straight->loftDeg)->toEqualWithDelta(9.3, 1e-3);
    });
});

it('takes what is stamped to hold at home, where nothing was read', function (): void {
    $readings = new HeadReadings(new HeadReading(10.5, 58, 0.5), turned(), []);
    $home = PlayingGeometry::present($readings->straight(), turned()->home()->tilts, 0.0);
    expect($home->loftDeg)->toEqualWithDelta(10.5, 1e-9)
        ->and($home->lieDeg)->toEqualWithDelta(58, 1e-6)
        ->and($home->faceOpenDeg)->toEqualWithDelta(0.5, 1e-6);
});

it('takes weights out as it put them in', function (): void {
    $slots = [new WeightSlot('front', 0, 12, -10), new WeightSlot('toe', 38, 70, -8), new WeightSlot('back', 0, 105, -12)];
    $empty = new Head(10.5, 186, 1.2, 33, -3.8);
    $this->forAll(Generator\choose(0, 20), Generator\choose(0, 20), Generator\choose(0, 20))->then(function (
        int $front, int $toe, int $back,
    ) use ($slots, $empty): void {
        $masses = ['front' => (float) $front, 'toe' => (float) $toe, 'back' => (float) $back];
        $again = Weights::remove(Weights::place($empty, $slots, $masses), $slots, $masses);
        expect($again->massG)->toEqualWithDelta($empty->massG, 1e-9)
            ->and($again->cgToeMm)->toEqualWithDelta($empty->cgToeMm, 1e-9)
            ->and($again->cgBackMm)->toEqualWithDelta($empty->cgBackMm, 1e-9);
        foreach ([0, 1, 2] as $i) {
            foreach ([0, 1, 2] as $j) {
                expect($again->inertiaGcm2[$i][$j])->toEqualWithDelta($empty->inertiaGcm2[$i][$j], 1e-6);
            }
        }
    });
});

it('calls legal just what the list of arrangements holds', function (): void {
    $slots = [new WeightSlot('front', 0, 12, -10, 2, 12), new WeightSlot('back', 0, 105, -12, 4, 20, false)];
    $this->forAll(
        Generator\vector(3, Generator\elements(2.0, 4.0, 8.0, 14.0)), Generator\elements(0.0, 2.0, 4.0, 8.0, 14.0),
        Generator\elements(0.0, 2.0, 4.0, 8.0, 14.0),
    )->then(function (array $stock, float $front, float $back) use ($slots): void {
        $masses = array_filter(['front' => $front, 'back' => $back]);
        $listed = in_array($masses, array_map(fn (array $m): array => $m, Weights::arrangements($slots, $stock)), false);
        try {
            Weights::requireLegal($slots, $stock, $masses);
            $legal = true;
        } catch (InvalidInput) {
            $legal = false;
        }
        expect($legal)->toBe($listed);
    });
});

it('says why an arrangement is not legal', function (array $masses, string $says): void {
    $slots = [new WeightSlot('front', 0, 12, -10, 2, 12), new WeightSlot('back', 0, 105, -12, 4, 20, false)];
    expect(fn () => Weights::requireLegal($slots, [4.0, 14.0], $masses))->toThrow(InvalidInput::class, $says);
})->with([
    'empty' => [['front' => 4.0], 'back may not be left empty'],
    'too heavy' => [['front' => 14.0, 'back' => 4.0], 'front takes 2 to 12 g, not 14 g'],
    'one piece twice' => [['front' => 4.0, 'back' => 4.0], 'no other 4 g weight for back'],
    'not there' => [['sole' => 4.0, 'back' => 4.0], "no slot 'sole'"],
]);

// Trade fact CP11 (common practice, no source): 11.5° at the centre, vertical radius 12 in: 13 to 15° at 15 mm above, about 9° at
// 13 mm below.
it('maps the loft over the face', function (): void {
    $map = FaceMap::of(new Head(11.5, rollRadiusMm: 305, bulgeRadiusMm: 305));
    $at = fn (float $toe, float $high): array => array_values(
        array_filter($map, fn (array $p): bool => $p['toeMm'] === $toe && $p['highMm'] === $high),
    )[0];
    expect($map)->toHaveCount(25)
        ->and($at(0.0, 15.0)['loftDeg'])->toBeGreaterThan(13)->toBeLessThan(15)
        ->and($at(0.0, -15.0)['loftDeg'])->toEqualWithDelta(8.7, 0.3)
        ->and($at(24.0, 0.0)['faceOpenDeg'])->toBeGreaterThan(0)
        ->and($at(-24.0, 0.0)['faceOpenDeg'])->toEqualWithDelta(-$at(24.0, 0.0)['faceOpenDeg'], 1e-12)
        ->and($at(0.0, 0.0)['ballSpeedShare'])->toBe(1.0);
});

it('maps more ball speed over the face of a forgiving head', function (): void {
    [$forgiving, $low] = [FaceMap::of(Head::preset('forgiving')), FaceMap::of(Head::preset('low-spin'))];
    foreach ($forgiving as $i => $point) {
        if ($point['toeMm'] !== 0.0 || $point['highMm'] !== 0.0) {
            expect($point['ballSpeedShare'])->toBeLessThan(1.0)->toBeGreaterThan($low[$i]['ballSpeedShare']);
        }
    }
});
