<?php

declare(strict_types=1);

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Impact\PlayerModel;
use MintCarry\Core\Impact\SetupEffect;
use MintCarry\Core\Impact\ShotMaker;
use MintCarry\Core\Statistics\Summary;
use Random\Engine\Mt19937;
use Random\Randomizer;

// Made-up players: what they scatter by, how they tire, what a setup does to them.

it('makes players that warm up, tire, and carry a setup’s change through as theirs', function (): void {
    $mean = function (PlayerModel $player, SetupEffect $setup, int $from, int $count, string $field, Hand $hand = Hand::Right): float {
        $maker = new ShotMaker($setup, $hand, new Randomizer(new Mt19937(9)));
        $out = [];
        for ($i = 0; $i < $from + $count; $i++) {
            $hit = $maker->hit($player);
            if ($i >= $from) {
                $out[] = property_exists($hit['delivery'], $field) ? $hit['delivery']->{$field} : $hit['launch']->{$field};
            }
        }

        return array_sum($out) / count($out);
    };
    $tiring = new PlayerModel(looseness: 0.2, tiringPerSwing: 0.002, warmUpSwings: 8, mishitShare: 0);
    expect($mean($tiring, new SetupEffect, 0, 2, 'clubSpeedMps'))
        ->toBeLessThan($mean($tiring, new SetupEffect, 10, 8, 'clubSpeedMps') - 0.7)
        ->and($mean($tiring, new SetupEffect, 60, 10, 'clubSpeedMps'))
        ->toBeLessThan($mean($tiring, new SetupEffect, 10, 8, 'clubSpeedMps') - 2);
    $steady = new PlayerModel(looseness: 0.0, mishitShare: 0, squares: 1.0, loftCarriesThrough: 0.8);
    expect(
        $mean($steady, new SetupEffect(squaredLoftDeg: 1.5), 0, 2, 'dynamicLoftDeg') -
            $mean($steady, new SetupEffect, 0, 2, 'dynamicLoftDeg'),
    )->toEqualWithDelta(1.2, 1e-9);
    $sits = new PlayerModel(looseness: 0.0, mishitShare: 0, squares: 0.0, faceCarriesThrough: 0.5);
    expect($mean($sits, new SetupEffect(soledFaceOpenDeg: 2), 0, 2, 'faceDeg'))->toEqualWithDelta(1.0, 1e-9)
        ->and($mean($sits, new SetupEffect(soledFaceOpenDeg: 2), 0, 2, 'faceDeg', Hand::Left))->toEqualWithDelta(-1.0, 1e-9);
    $peculiar = new PlayerModel(looseness: 0.0, mishitShare: 0, headPeculiarity: 1);
    expect($mean($peculiar, new SetupEffect(headKey: 'Tern'), 0, 2, 'spinRpm'))
        ->not->toEqualWithDelta($mean($peculiar, new SetupEffect(headKey: 'Plover'), 0, 2, 'spinRpm'), 5)
        ->and($mean($peculiar, new SetupEffect(headKey: 'Tern'), 0, 2, 'spinRpm'))
        ->toBe($mean($peculiar, new SetupEffect(headKey: 'Tern'), 0, 2, 'spinRpm'));
});

it('sends a left-hander’s toe weight left, and a heel weight right', function (): void {
    foreach ([[4.0, -1], [-4.0, 1]] as [$toe, $side]) {
        $maker = new ShotMaker(new SetupEffect(new Head(cgToeMm: $toe), cgToeMm: $toe), Hand::Left, new Randomizer(new Mt19937(1)));
        $launch = $maker->hit(new PlayerModel(looseness: 0, mishitShare: 0))['launch'];
        $flown = (new BallFlight)->fly($launch);
        expect($side * $flown->sideM)->toBeGreaterThan(2.0);
    }
});

it('scatters by the spreads and the correlation it was given', function (): void {
    $maker = new ShotMaker(Head::preset('middle'), Hand::Right, new Randomizer(new Mt19937(3)));
    $player = new PlayerModel(
        mishitShare: 0, clubSpeedSdMps: 0.8, attackSdDeg: 0.5, pathSdDeg: 2.0, faceSdDeg: 1.0, dynamicLoftSdDeg: 0.7, toeSdMm: 4,
        highSdMm: 3, faceWithPath: 0.6,
    );
    $hits = array_map(fn () => $maker->hit($player), range(1, 3000));
    $of = fn (string $part, string $field): array => array_map(fn (array $hit): float => $hit[$part]->{$field}, $hits);
    $sd = fn (array $values): float => (float) Summary::of($values)->sd;
    expect($sd($of('delivery', 'clubSpeedMps')))->toEqualWithDelta(0.8, 0.04)
        ->and($sd($of('delivery', 'attackDeg')))->toEqualWithDelta(0.5, 0.03)
        ->and($sd($of('delivery', 'pathDeg')))->toEqualWithDelta(2.0, 0.1)
        ->and($sd($of('delivery', 'faceDeg')))->toEqualWithDelta(1.0, 0.05)
        ->and($sd($of('delivery', 'dynamicLoftDeg')))->toEqualWithDelta(0.7, 0.04)
        ->and($sd($of('strike', 'toeMm')))->toEqualWithDelta(4, 0.2)
        ->and($sd($of('strike', 'highMm')))->toEqualWithDelta(3, 0.15);
    $faces = $of('delivery', 'faceDeg');
    $paths = $of('delivery', 'pathDeg');
    $together = array_sum(array_map(fn (float $f, float $p): float => $f * $p, $faces, $paths)) / count($faces) / $sd($faces) / $sd($paths);
    expect($together)->toEqualWithDelta(0.6, 0.05);
});

it('mishits as often as the player does, and low toward heel or toe', function (): void {
    $maker = new ShotMaker(Head::preset('middle'), Hand::Right, new Randomizer(new Mt19937(8)));
    $hits = array_map(fn () => $maker->hit(new PlayerModel(mishitShare: 0.2)), range(1, 2000));
    $bad = array_filter($hits, fn (array $hit): bool => $hit['mishit']);
    expect(count($bad) / 2000)->toEqualWithDelta(0.2, 0.03);
    foreach ($bad as $hit) {
        expect(abs($hit['strike']->toeMm))->toBeGreaterThan(11.9)
            ->and($hit['strike']->highMm)->toBeLessThan(-2.9);
    }
});
