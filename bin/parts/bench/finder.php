<?php

// How long the finder takes: 480 setups (5 heads × 8 positions × 12 arrangements), 12 shots of the own club and two others, 64
// draws of the unknowns. php bin/parts/bench/finder.php In full, with only the brief changed (draws kept), and the grounds of a
// decision.

declare(strict_types=1);

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\HeadReading;
use MintCarry\Core\Club\RackedHead;
use MintCarry\Core\Club\SleeveSystem;
use MintCarry\Core\Club\WeightSlot;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\Screening;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Impact\PlayerModel;
use MintCarry\Core\Impact\SetupEffect;
use MintCarry\Core\Impact\ShotMaker;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Record\FittingRecord;
use MintCarry\Core\Record\SetupRecord;
use MintCarry\Core\Record\ShotRecord;
use MintCarry\Core\Report\DecideReport;
use MintCarry\Core\Report\FinderReport;
use Random\Engine\Mt19937;
use Random\Randomizer;

require_once dirname(__DIR__, 3).'/vendor/autoload.php';

$positions = array_map(static fn (int $i): array => ['label' => "P{$i}", 'clockDeg' => 45.0 * $i], range(0, 7));
$rack = array_map(static function (int $i) use ($positions): RackedHead {
    $stated = new HeadReading(9.5 + 0.5 * $i);
    $slots = [
        new WeightSlot('heel', -36, 70, -13, 2, 14, false), new WeightSlot('toe', 38, 70, -13, 2, 14, false),
        new WeightSlot('back', 0, 100, -12, 2, 20, false),
    ];

    return new RackedHead(
        "Head {$i}", Hand::Right, $stated,
        SleeveSystem::fromArray(['name' => 'One', 'kind' => 'single', 'tiltDeg' => 1.0, 'positions' => $positions], $stated),
        cgBackMm: 32.0 + $i, cgUpMm: -4.0, slots: $slots, stockG: [4.0, 4.0, 8.0, 8.0, 6.0, 2.0],
        standard: ['heel' => 4.0, 'toe' => 4.0, 'back' => 8.0],
    );
}, range(1, 5));
$flight = new BallFlight;
$setups = $shots = [];
$sequence = 0;
foreach ([['A', 0, 'P0'], ['B', 1, 'P2'], ['C', 2, 'P4']] as [$tag, $at, $label]) {
    $setup = new SetupRecord(
        $tag, $rack[$at]->label, $rack[$at], $rack[$at]->sleeve, $label, $rack[$at]->standard,
        $rack[$at]->sayWeights($rack[$at]->standard),
    );
    $setups[$tag] = $setup;
    $maker = new ShotMaker(new SetupEffect($rack[$at]->body(), $setup->head), Hand::Right, new Randomizer(new Mt19937(10 + $at)));
    $shots[$tag] = array_map(static function () use ($maker, $flight, &$sequence): ShotRecord {
        return new ShotRecord(LaunchShot::of(ShotMaker::seen($maker->hit(new PlayerModel), true), $flight), ++$sequence);
    }, range(1, 4));
}
$record = static fn (Brief $brief): FittingRecord => new FittingRecord(
    1, Hand::Right, $brief, Screening::named('flagged'), $flight, $setups, $shots, 'A', $rack, 'C',
);
$time = static function (callable $do): array {
    $times = [];
    for ($k = 0; $k < 5; $k++) {
        $begun = hrtime(true);
        $answer = $do($k);
        $times[] = (hrtime(true) - $begun) / 1e6;
    }
    sort($times);

    return [$times[2], $answer];
};
[$full, $found] = $time(static fn (): array => FinderReport::of($record(new Brief)));
[$grounds] = $time(static fn (): array => DecideReport::of($record(new Brief)));
printf("%d setups, full result             %7.0f ms   (target 400)\n", $found['count'], $full);
printf("grounds of a decision               %7.0f ms\n", $grounds);
