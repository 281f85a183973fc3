<?php

declare(strict_types=1);

use MintCarry\Core\Club\AddressHabit;
use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Club\HeadReading;
use MintCarry\Core\Club\PlayingGeometry;
use MintCarry\Core\Club\SleeveCard;
use MintCarry\Core\Club\SleeveChange;
use MintCarry\Core\Club\Weights;
use MintCarry\Core\Club\WeightSlot;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\Flight;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Impact\PlayerModel;
use MintCarry\Core\Impact\SetupEffect;
use MintCarry\Core\Impact\ShotMaker;
use Random\Engine\Mt19937;
use Random\Randomizer;

// The trade facts of tests/reference/common-practice.csv that need sleeve, weights and impact together. Common practice, no source.
// Hit by a player without scatter, with the default carry-through factors; what a row does not state is said in its test.

/** @return array{Launch, Flight} */
function struck(PlayerModel $player, SetupEffect $setup, Hand $hand = Hand::Right): array
{
    $launch = (new ShotMaker($setup, $hand, new Randomizer(new Mt19937(1))))->hit($player)['launch'];

    return [$launch, (new BallFlight)->fly($launch)];
}

it('meets CP08: the sleeve from +1.5 to −1.5', function (Hand $hand): void {
    // Delivered loft 15° in the middle, a player who squares most of the way.
    $player = new PlayerModel(clubSpeedMps: 107 * 0.44704, dynamicLoftDeg: 15, looseness: 0, mishitShare: 0, squares: 0.8);
    $head = new HeadReading(10.5, 58);
    $at = function (float $printed) use ($head, $player, $hand): array {
        $tilts = SleeveCard::solve($head, new SleeveChange(loftDeg: $printed), AddressHabit::Squared)->tilts();

        return struck($player, new SetupEffect(
            Head::preset('middle', 10.5),
            squaredLoftDeg: PlayingGeometry::present($head, $tilts, 1)->loftDeg - 10.5,
            soledFaceOpenDeg: PlayingGeometry::present($head, $tilts, 0)->faceOpenDeg,
        ), $hand);
    };
    [$plus, $plusFlight] = $at(1.5);
    [$minus, $minusFlight] = $at(-1.5);
    expect($plus->spinRpm - $minus->spinRpm)->toBeGreaterThan(300)->toBeLessThan(800)
        ->and($minus->ballSpeedMps)->toBeGreaterThan($plus->ballSpeedMps)
        ->and($minusFlight->apexM)->toBeLessThan($plusFlight->apexM)
        ->and($hand->sign() * ($minus->directionDeg - $plus->directionDeg))->toBeGreaterThan(0)
        ->and($hand->sign() * ($minusFlight->curveM - $plusFlight->curveM))->toBeGreaterThan(0);
})->with([Hand::Right, Hand::Left]);

it('meets CP09: the heaviest mass from the back slot to the front slot', function (): void {
    // 8 g over 90 mm of depth; 105 mph, delivered loft 15°.
    $empty = new Head(massG: 194);
    $slots = [new WeightSlot('front', 0, 15, -8), new WeightSlot('back', 0, 105, -8)];
    $player = new PlayerModel(clubSpeedMps: 105 * 0.44704, dynamicLoftDeg: 15, looseness: 0, mishitShare: 0);
    $back = Weights::place($empty, $slots, ['back' => 8.0]);
    $front = Weights::place($empty, $slots, ['front' => 8.0]);
    [$backLaunch, $backFlight] = struck($player, new SetupEffect($back));
    [$frontLaunch, $frontFlight] = struck($player, new SetupEffect($front, cgBackMm: $front->cgBackMm - $back->cgBackMm));
    $apexFt = ($backFlight->apexM - $frontFlight->apexM) / 0.3048;
    expect($apexFt)->toBeGreaterThan(5)->toBeLessThan(20)
        ->and($frontLaunch->launchDeg)->toBeLessThan($backLaunch->launchDeg)
        ->and($backLaunch->spinRpm - $frontLaunch->spinRpm)->toBeGreaterThan(100)->toBeLessThan(500);
});

it('meets CP10: 26 g from the centre to the toe or heel slot', function (string $slot, int $way, Hand $hand): void {
    $empty = new Head(massG: 180);
    $slots = [new WeightSlot('centre', 0, 60, -8), new WeightSlot('toe', 35, 60, -8), new WeightSlot('heel', -35, 60, -8)];
    $player = new PlayerModel(clubSpeedMps: 107 * 0.44704, dynamicLoftDeg: 13, looseness: 0, mishitShare: 0);
    $centre = Weights::place($empty, $slots, ['centre' => 26.0]);
    $moved = Weights::place($empty, $slots, [$slot => 26.0]);
    [, $before] = struck($player, new SetupEffect($centre), $hand);
    [, $after] = struck($player, new SetupEffect($moved, cgToeMm: $moved->cgToeMm - $centre->cgToeMm), $hand);
    $toFade = $hand->sign() * ($after->curveM - $before->curveM) / 0.9144;
    expect($way * $toFade)->toBeGreaterThan(4)->toBeLessThan(22);
})->with([
    'toe, right-handed' => ['toe', 1, Hand::Right],
    'heel, right-handed' => ['heel', -1, Hand::Right],
    'toe, left-handed' => ['toe', 1, Hand::Left],
    'heel, left-handed' => ['heel', -1, Hand::Left],
]);

it('meets CP12: the reading counts, not the print', function (): void {
    // Printed 10.5, reads 13: what the head plays follows the gauge.
    $printed = PlayingGeometry::present(new HeadReading(10.5), [], 1);
    $read = PlayingGeometry::present(new HeadReading(13.0), [], 1);
    expect($read->loftDeg - $printed->loftDeg)->toEqualWithDelta(2.5, 1e-9);
});
