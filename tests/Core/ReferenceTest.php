<?php

declare(strict_types=1);

use MintCarry\Core\Club\Head;
use MintCarry\Core\Club\HeadReading;
use MintCarry\Core\Club\PlayingGeometry;
use MintCarry\Core\Club\SleeveTilt;
use MintCarry\Core\Club\Weights;
use MintCarry\Core\Club\WeightSlot;

// Geometry and mechanics of the head against scipy and numpy. How the values were made stands in tests/reference/sleeve.py and weights.py.

/** @return list<array{array<string, mixed>}> */
function referenced(string $name): array
{
    $cases = json_decode((string) file_get_contents(dirname(__DIR__)."/reference/{$name}.json"), true, flags: JSON_THROW_ON_ERROR);

    return array_map(fn (array $case): array => [$case], $cases);
}

it('presents a head as scipy’s rotations do', function (array $case): void {
    $head = new HeadReading($case['loftDeg'], $case['lieDeg'], $case['faceOpenDeg']);
    $tilts = array_map(fn (array $t): SleeveTilt => new SleeveTilt($t[0], $t[1]), $case['tilts']);
    $soled = PlayingGeometry::present($head, $tilts, 0.0);
    $squared = PlayingGeometry::present($head, $tilts, 1.0);
    expect($soled->lieDeg)->toEqualWithDelta($case['lie'], 1e-9)
        ->and($soled->faceOpenDeg)->toEqualWithDelta($case['soledFaceOpenDeg'], 1e-9)
        ->and($soled->loftDeg)->toBe($case['loftDeg'])
        ->and($squared->loftDeg)->toEqualWithDelta($case['squaredLoftDeg'], 1e-9);
})->with(referenced('sleeve'));

it('comes back to the straight head from what a gauge shows at any position', function (array $case): void {
    $tilts = array_map(fn (array $t): SleeveTilt => new SleeveTilt($t[0], $t[1]), $case['tilts']);
    $straight = PlayingGeometry::straighten(
        new HeadReading($case['loftDeg'], $case['lie'], $case['soledFaceOpenDeg']), $tilts, MintCarry\Core\Club\AddressHabit::Soled,
    );
    expect($straight->lieDeg)->toEqualWithDelta($case['lieDeg'], 1e-6)
        ->and($straight->faceOpenDeg)->toEqualWithDelta($case['faceOpenDeg'], 1e-6);
})->with(referenced('sleeve'));

it('has numpy’s mass, centre and tensor with weights in', function (array $case): void {
    $empty = new Head(10.5, $case['massG'], $case['cg'][0], $case['cg'][1], $case['cg'][2], $case['inertia']);
    $slots = $masses = [];
    foreach ($case['weights'] as $i => [$grams, [$toe, $back, $up]]) {
        $slots[] = new WeightSlot("s{$i}", $toe, $back, $up);
        $masses["s{$i}"] = $grams;
    }
    $head = Weights::place($empty, $slots, $masses);
    expect($head->massG)->toEqualWithDelta($case['totalG'], 1e-9)
        ->and($head->cgToeMm)->toEqualWithDelta($case['centre'][0], 1e-9)
        ->and($head->cgBackMm)->toEqualWithDelta($case['centre'][1], 1e-9)
        ->and($head->cgUpMm)->toEqualWithDelta($case['centre'][2], 1e-9);
    foreach ([0, 1, 2] as $i) {
        foreach ([0, 1, 2] as $j) {
            expect($head->inertiaGcm2[$i][$j])->toEqualWithDelta($case['tensor'][$i][$j], 1e-7);
        }
    }
})->with(referenced('weights'));
