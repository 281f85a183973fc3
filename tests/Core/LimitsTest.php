<?php

declare(strict_types=1);

use MintCarry\Core\Club\AddressHabit;
use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Club\HeadReading;
use MintCarry\Core\Club\RackedHead;
use MintCarry\Core\Club\ReadingSet;
use MintCarry\Core\Club\SleeveSystem;
use MintCarry\Core\Club\SwingWeight;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\Corridor;
use MintCarry\Core\Fitting\LiveVerdict;
use MintCarry\Core\Fitting\Mishits;
use MintCarry\Core\Fitting\Outlook;
use MintCarry\Core\Fitting\Scoring;
use MintCarry\Core\Fitting\ShotSet;
use MintCarry\Core\Fitting\Trouble;
use MintCarry\Core\Fitting\Verdict;
use MintCarry\Core\Fitting\Wanted;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Impact\HiddenPlayers;
use MintCarry\Core\Impact\PlayerPriors;
use MintCarry\Core\Judging\Confirm;
use MintCarry\Core\Judging\ConfirmVerdict;
use MintCarry\Core\Judging\Evidence;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Launch\TypedShot;
use MintCarry\Core\Record\FittingFile;
use MintCarry\Core\Record\FittingRecord;
use MintCarry\Core\Record\SetupRecord;
use MintCarry\Core\Report\FinderReport;

require_once __DIR__.'/../Swings.php';

// What is said on either side of a limit, and in every place where a rule looks.

it('tells what was hit under what, once each, and what nobody said not at all', function (): void {
    $trial = fn (string $tag, ?int $visit, array $conditions): array => ['tag' => $tag, 'visit' => $visit, 'conditions' => $conditions];
    expect(FittingRecord::conditionsOf([
        $trial('A', 1, ['temperatureC' => 18, 'altitudeM' => 0, 'turf' => 'firm', 'monitor' => '', 'ball' => 'Mallow']),
        $trial('A', 1, ['temperatureC' => 18, 'altitudeM' => 0, 'turf' => 'firm', 'monitor' => 'Bay 1']),
        $trial('B', 2, ['temperatureC' => ['not', 'one'], 'turf' => null]),
    ]))->toBe(['A' => ['visit: 1', 'air: 18', 'altitude: 0', 'ground: firm', 'monitor: Bay 1'], 'B' => ['visit: 2']]);
});

it('says what of a head is taken from its kind, and not what was told or read', function (): void {
    $head = fn (array $more, array $readings = []): RackedHead => new RackedHead(
        'Tern 460', Hand::Right, new HeadReading(10.5, 58.0, 0.0), ...($more + ['sleeve' => SleeveSystem::fixed()] + ['readings' => $readings]),
    );
    $read = [new ReadingSet(['massG' => [203.0, 203.2]], '', AddressHabit::Soled)];
    expect($head([])->assumed())->toBe(['mass', 'CG', 'inertia', 'bulge', 'roll'])
        ->and($head([], $read)->assumed())->toBe(['CG', 'inertia', 'bulge', 'roll'])
        ->and($head(['massG' => 202.0])->assumed())->toBe(['CG', 'inertia', 'bulge', 'roll'])
        ->and($head(['cgToeMm' => 0.0, 'cgUpMm' => -4.0])->assumed())->toContain('CG')
        ->and($head(['cgToeMm' => 0.0, 'cgUpMm' => -4.0, 'cgBackMm' => 34.0, 'bulgeMm' => 300.0])->assumed())
        ->toBe(['mass', 'inertia', 'roll']);
});

it('says why there is nothing to find, by what was looked for', function (array $supply, string $only, string $says): void {
    $case = caseOf(['A' => [64.0, 12.0, 0.0, 6]]);
    $rack = array_map(fn (RackedHead $h): RackedHead => new RackedHead(
        $h->label, $h->hand, $h->stated, $h->sleeve, cgBackMm: 34.0, supply: $supply,
    ), $supply === ['none'] ? [] : twoHeads());
    $record = new FittingRecord(
        7, Hand::Right, $case->brief, $case->screening, $case->flight,
        ['A' => new SetupRecord('A', 'Old one', described: new HeadReading(10.0, 58.0, 0.0))], ['A' => $case->shots['A']], 'A', $rack, 'A',
    );
    expect(fn () => FinderReport::of($record, $only))->toThrow(InvalidInput::class, $says);
})->with([
    'none in stock' => [['inStock' => false, 'leadDays' => 9], 'stock', 'No head for this hand is in the studio. Look'],
    'none to order' => [['inStock' => false], 'order', 'No head for this hand is in the studio or can be ordered'],
    'the own club is described' => [[], 'own', 'The own club is only described'],
    'nothing on the rack' => [['none'], 'stock', 'No legal setup for this hand is on the rack.'],
]);

it('weighs a smash that is too low by the carry that it costs', function (): void {
    $e = evidence('A', USUAL, n: 8);
    $low = new ShotSet('A', array_map(
        fn (LaunchShot $s): LaunchShot => LaunchShot::of(['smash' => $s->value(Measure::Smash) - 0.06] + $s->measured, sameFlight()), $e->set->shots,
    ));
    $found = foundOf(Evidence::of(specOf('A'), $low, sameFlight()) ?? throw new LogicException('no evidence'))['smashLow'];
    [$smash, $expected] = [$found->figures['smash'], $found->figures['expectedSmash']];
    expect($expected - $smash)->toEqualWithDelta(0.06, 0.01)
        ->and($found->weight)->toEqualWithDelta(PlayerPriors::CARRY_M_PER_BALL_MPS * 45.0 * ($expected - $smash), 0.01)
        ->and(foundOf($e))->not->toHaveKey('smashLow');
});

it('prices trouble by its side', function (): void {
    $price = fn (Corridor $corridor): array => Outlook::of(new Brief(carryM: 210.0, corridor: $corridor))->price;
    $left = $price(new Corridor(30.0, new Trouble('water', 20.0), new Trouble('rough')));
    $right = $price(new Corridor(30.0, new Trouble('rough'), new Trouble('water', 20.0)));
    expect($left['left'])->toEqualWithDelta($right['right'], 1e-9)
        ->and($left['right'])->toEqualWithDelta($right['left'], 1e-9)
        ->and($left['left'])->toBeGreaterThan(0.8)->toBeLessThan(2.0)
        ->and($left['right'])->toEqualWithDelta($left['rough'], 1e-9)
        ->and($left['tenMetres'])->toBeGreaterThan(0.03)->toBeLessThan(0.2)
        ->and($left['sharePerTenMetres'])->toEqualWithDelta(100 * $left['tenMetres'] / $left['rough'], 1e-9);
});

it('writes and reads a swing weight as it is spoken', function (string $label, float $points, string $spoken): void {
    expect(SwingWeight::pointsOf($label))->toEqualWithDelta($points, 1e-9)
        ->and(SwingWeight::labelOf($points))->toBe($spoken);
})->with([
    ['D2.5', 32.5, 'D2.5'], ['c9,1', 29.1, 'C9.1'], ['A0', 0.0, 'A0'], [' G 9 ', 69.0, 'G9'], ['b3', 13.0, 'B3'],
]);

it('scores own weights by the step, each alone and together', function (array $weights, float $score): void {
    $draw = ['strokes' => 4.2, 'share' => 0.6, 'carryM' => 200.0, 'carrySdM' => 8.0, 'totalM' => 225.0, 'apexM' => 30.0];
    expect(Scoring::OwnWeights->of($draw, $weights))->toEqualWithDelta($score, 1e-9)
        ->and(Scoring::GuardedHeight->of($draw))->toBe(-192.0)
        ->and(Scoring::Running->of($draw))->toBe(-225.0);
})->with([
    'carry' => [['carry' => 2.0], -40.0], 'run' => [['run' => 1.0], -5.0], 'fairways' => [['fairways' => 1.0], -12.0],
    'height' => [['height' => 1.0], -10.0],
    'half of each of two' => [['carry' => 5.0, 'run' => 5.0], -22.5],
    'less than a whole weight counts as one' => [['run' => 0.5], -2.5],
]);

it('overturns a choice that is wilder, where the brief plays for straight', function (float $wild, bool $isOverturned): void {
    $leg = fn (float $off): ShotSet => new ShotSet('', array_map(fn (int $i): LaunchShot => LaunchShot::of([
        'ballSpeedMps' => 66.0, 'launchDeg' => 12.0, 'spinRpm' => 2500.0, 'clubSpeedMps' => 45.0, 'carryM' => 200.0 + $i % 3,
        'sideM' => ($i % 2 === 0 ? 1 : -1) * $off,
    ], sameFlight()), range(1, 6)));
    $verdict = Confirm::of([$leg(10.0), $leg($wild), $leg(10.0)], 5, 0.9, Wanted::of(new Brief(scoring: Scoring::Straightest->value)));
    expect($verdict->verdict)->toBe($isOverturned ? ConfirmVerdict::Overturned : ConfirmVerdict::Confirmed);
    expect($verdict->z * ($isOverturned ? -1 : 1))->toBeGreaterThan(Confirm::LIMIT_Z);
})->with(['wilder' => [45.0, true], 'straighter by far' => [0.5, false]]);

it('calls less spin better, and the higher ball', function (): void {
    $set = fn (string $tag, float $spin, float $launch): ShotSet => new ShotSet($tag, array_map(fn (int $i): LaunchShot => LaunchShot::of(
        ['ballSpeedMps' => 66.0, 'launchDeg' => $launch, 'spinRpm' => $spin + 20.0 * ($i % 3), 'directionDeg' => 0.0, 'spinAxisDeg' => 0.0],
        sameFlight(),
    ), range(1, 10)));
    $of = fn (ShotSet $a, ShotSet $b): array => array_map(
        fn (LiveVerdict $v): Verdict => $v->verdict, array_column(LiveVerdict::of($a, $b, Wanted::of(new Brief(scoring: Scoring::Longest->value))), null, 'name'),
    );
    [$spinny, $low] = [$set('A', 3600.0, 10.0), $set('B', 1900.0, 10.0)];
    expect($of($spinny, $low)['less spin'])->toBe(Verdict::Better)
        ->and($of($low, $spinny)['less spin'])->toBe(Verdict::Worse)
        ->and($of($low, $set('C', 1900.0, 16.0))['higher'])->toBe(Verdict::Better);
});

it('sees a smash that is low for its setup though the ball speed is not, and not the other way round', function (): void {
    $shot = fn (float $club, float $ball): LaunchShot => LaunchShot::of(
        ['ballSpeedMps' => $ball, 'clubSpeedMps' => $club, 'launchDeg' => 12.0, 'spinRpm' => 2500.0], sameFlight(),
    );
    $usual = array_map(fn (int $i): LaunchShot => $shot(45.0 + 0.1 * ($i % 3), 65.7 + 0.1 * ($i % 3)), range(1, 9));
    $why = fn (LaunchShot $odd): array => array_column(Mishits::among([new ShotSet('A', [...$usual, $odd])])['A'][9] ?? [], 'why');
    expect($why($shot(47.0, 65.7)))->toBe(['smash'])
        ->and($why($shot(45.0, 60.0)))->toBe(['speed'])
        ->and($why($shot(41.0, 59.8)))->toBe(['swing'])
        ->and($why($shot(43.9, 65.7)))->toBe([])
        ->and($why($shot(45.0, 65.7)))->toBe([]);
});

it('has a slicer and a hooker that start and curve as they are named, for either hand', function (): void {
    foreach ([[Hand::Right, 1], [Hand::Left, -1]] as [$hand, $right]) {
        [$slicer, $hooker] = [HiddenPlayers::named('slicer', $hand), HiddenPlayers::named('hooker', $hand)];
        // A slicer comes across the ball with a face that points less far over; a hooker the other way.
        expect($slicer->pathDeg * $right)->toBeLessThan($slicer->faceDeg * $right)
            ->and($slicer->faceDeg * $right)->toBeLessThan(0.0)
            ->and($hooker->pathDeg * $right)->toBeGreaterThan($hooker->faceDeg * $right)
            ->and($hooker->faceDeg * $right)->toBeGreaterThan(0.0)
            ->and($slicer->toeMm)->toBeLessThan(0.0);
    }
});

it('takes a tensor for symmetric only where all three pairs are', function (int $i, int $j): void {
    $tensor = Head::MIDDLE_INERTIA_GCM2;
    $tensor[$i][$j] = 40.0;
    expect(fn () => new Head(inertiaGcm2: $tensor))->toThrow(InvalidInput::class);
    $tensor[$j][$i] = 40.0 + 1e-5;
    expect((new Head(inertiaGcm2: $tensor))->inertiaGcm2)->toBe($tensor);
})->with([[0, 1], [1, 0], [0, 2], [2, 0], [1, 2], [2, 1]]);

it('says nothing of start and curve where side or direction was not measured', function (): void {
    foreach ([['directionDeg'], ['spinAxisDeg'], ['directionDeg', 'spinAxisDeg']] as $hide) {
        $e = evidence('A', [46.0, 0.0, 3.5, 13.0, 3.5, 0.0, 2.0], n: 12, hide: $hide);
        expect(array_intersect(array_keys(foundOf($e)), ['startsThere', 'curvesThere', 'hiddenCurve']))->toBe([]);
    }
});

it('computes no flight of a ball that hardly leaves the ground, and one of the next', function (float $launchDeg, bool $isFlown): void {
    $shot = LaunchShot::of(['ballSpeedMps' => 40.0, 'launchDeg' => $launchDeg, 'spinRpm' => 2000.0], new BallFlight);
    expect($shot->value(Measure::Carry) !== null)->toBe($isFlown)
        ->and($shot->failure)->toBeNull();
})->with([[0.5, false], [-3.0, false], [0.6, true]]);

it('keeps the sign of an angle as it was typed, whichever minus', function (string $typed, float $deg): void {
    [$values, $issues] = TypedShot::read(['attackDeg' => ['value' => $typed, 'unit' => 'deg']], Hand::Right, new BallFlight);
    expect($values['attackDeg'])->toEqualWithDelta($deg, 1e-9)
        ->and(array_column($issues, 'field'))->not->toContain('attackDeg');
})->with([['-3,1', -3.1], ['−2.5', -2.5], ['+1.5', 1.5], ['4', 4.0]]);

it('takes what a warm-up was hit under for nothing', function (): void {
    $of = function (string $kind): FittingRecord {
        $file = fittingFile();
        $file['trials'][1] += ['kind' => $kind, 'place' => ['temperatureC' => 31]];

        return FittingFile::read($file);
    };
    expect($of('trial')->conditions['B'])->toContain('air: 31')
        ->and($of('warm-up')->conditions)->not->toHaveKey('B');
});

it('takes a bare number or text in the unit that the field names, and nothing for none', function (): void {
    $bare = ['ballSpeedMps' => 66, 'launchDeg' => '12,5', 'spinRpm' => 2500.0, 'directionDeg' => null, 'sideM' => '4 L'];
    [$values, $issues] = TypedShot::read($bare, Hand::Right, new BallFlight);
    expect($values)->toEqualWithDelta(['ballSpeedMps' => 66.0, 'launchDeg' => 12.5, 'spinRpm' => 2500.0, 'sideM' => -4.0], 1e-9)
        ->and($issues)->toBe([]);
});
