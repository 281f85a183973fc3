<?php

declare(strict_types=1);

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\HeadReading;
use MintCarry\Core\Club\PlayingGeometry;
use MintCarry\Core\Club\SleeveSystem;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Errors\UnreadableFile;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Gaps\ClubGaps;
use MintCarry\Core\Gaps\GapTable;
use MintCarry\Core\Gaps\LongClub;
use MintCarry\Core\Launch\LaunchShot;

// The gaps between long clubs: what was measured, what a sleeve does to it, and what is not predicted.

function gapSleeve(): SleeveSystem
{
    return SleeveSystem::fromArray([
        'name' => 'turn', 'kind' => 'single', 'tiltDeg' => 1.5, 'home' => 'N',
        'positions' => [
            ['label' => 'N', 'clockDeg' => 0], ['label' => '+', 'clockDeg' => 90], ['label' => 'F', 'clockDeg' => 180],
            ['label' => '-', 'clockDeg' => 270],
        ],
    ], new HeadReading(15));
}

/**
 * @param  list<float>  $carriesM
 * @param  array<string, float>  $ball  measured beside the carry
 */
function longClub(string $name, float $loft, array $carriesM, array $ball = [], bool $turns = true, string $kind = 'fairway wood'): LongClub
{
    return new LongClub(
        $name, $kind, new HeadReading($loft, 57), $turns ? gapSleeve() : null, $turns ? 'N' : '',
        array_map(static fn (float $c): LaunchShot => LaunchShot::of(['carryM' => $c] + $ball, new BallFlight), $carriesM),
    );
}

const OF_A_THREE_WOOD = ['ballSpeedMps' => 66.0, 'launchDeg' => 11.5, 'spinRpm' => 3500.0];

it('lines the clubs up by carry and tells each gap with what is likely', function (): void {
    $told = ClubGaps::of([
        longClub('5', 18, [198, 202, 200, 200]), longClub('3', 15, [214, 216, 215, 215]), longClub('h', 22, [180, 184, 182, 182],
            kind: 'hybrid'),
    ], new BallFlight);
    expect(array_column($told['clubs'], 'name'))->toBe(['3', '5', 'h'])
        ->and(array_map(fn (array $g): float => round($g['gapM'], 6), $told['gaps']))->toBe([15.0, 18.0])
        ->and($told['wantedM'])->toEqualWithDelta(16.5, 1e-9)->and($told['isEven'])->toBeTrue();
    foreach ($told['gaps'] as $gap) {
        expect($gap['interval']->low)->toBeLessThan($gap['gapM'])->and($gap['interval']->high)->toBeGreaterThan($gap['gapM']);
    }
    // Four tight shots of each do not make the spread a usual player has go away.
    expect($told['spreadShare'])->toBeGreaterThan(0.02)->and($told['clubs'][0]['n'])->toBe(4);
});

it('calls a gap wide, narrow or even only where the shots carry it', function (float $second, string $verdict): void {
    $many = fn (float $m): array => array_map(fn (int $i): float => $m + ($i % 5 - 2), range(1, 60));
    $told = ClubGaps::of([longClub('3', 15, $many(215)), longClub('5', 18, $many($second))], new BallFlight, wantedM: 15);
    expect($told['gaps'][0]['verdict'])->toBe($verdict);
    expect(ClubGaps::of([longClub('3', 15, [215]), longClub('5', 18, [$second])], new BallFlight,
        wantedM: 15)['gaps'][0]['verdict'])->toBe('open');
})->with([[180.0, 'wide'], [200.0, 'even'], [211.0, 'narrow']]);

it('turns a sleeve by the same geometry as a driver’s', function (): void {
    $club = longClub('3', 15, [215], OF_A_THREE_WOOD);
    foreach (ClubGaps::turned($club, 1.0, new BallFlight, null) as $move) {
        $exact = PlayingGeometry::present(
            new HeadReading(15, 57), gapSleeve()->position($move['position'])->tilts, 1.0, gapSleeve()->position('N')->tilts,
        );
        $now = PlayingGeometry::present(new HeadReading(15, 57), gapSleeve()->position('N')->tilts, 1.0, gapSleeve()->position('N')->tilts);
        expect($move['loftDeg'])->toEqualWithDelta($exact->loftDeg - $now->loftDeg,
            1e-9)->and($move['faceOpenDeg'])->toEqualWithDelta(0.0, 1e-9);
    }
    $by = fn (float $share): array => array_column(ClubGaps::turned($club, $share, new BallFlight, null), null, 'position');
    // Soled, the loft stays and the face turns; squared, the other way.
    expect($by(0.0)['+']['loftDeg'])->toEqualWithDelta(0.0, 1e-9)->and($by(0.0)['+']['faceOpenDeg'])->toBeLessThan(-2.0)
        ->and($by(1.0)['+']['loftDeg'])->toBeGreaterThan(1.5)->and($by(1.0)['-']['loftDeg'])->toBeLessThan(-1.5);
});

it('closes a gap with loft off, or opens it with loft on, and says by what it knows that', function (): void {
    $told = ClubGaps::of([longClub('3', 15, [214, 216], OF_A_THREE_WOOD), longClub('5', 18, [199, 201], turns: false)], new BallFlight,
        1.0, 20.0);
    $moves = $told['gaps'][0]['moves'];
    expect($moves)->not->toBe([])->and($moves[0]['by'])->toBe('flight')->and($moves[0]['club'])->toBe('3');
    foreach ($moves as $move) {
        expect(abs($move['gapM'] - 20))->toBeLessThan(abs($told['gaps'][0]['gapM'] - 20))
            ->and($move['interval']->low)->toBeLessThanOrEqual($move['carryM'])->and($move['interval']->high)->toBeGreaterThanOrEqual($move['carryM']);
    }
});

it('answers a hole of 25 yards with the club that fills it, and with a turn only where that closes it', function (): void {
    $five = ['ballSpeedMps' => 62.0, 'launchDeg' => 13.5, 'spinRpm' => 4300.0];
    $gapOf = static fn (array $clubs): array => ClubGaps::of($clubs, new BallFlight, 1.0, 15.0)['gaps'][0];
    $hole = $gapOf([longClub('3', 15, [215, 215], OF_A_THREE_WOOD), longClub('h', 22, [180, 180], $five, kind: 'hybrid')]);
    expect($hole['fill']['loftDeg'])->toEqualWithDelta(18.5, 0.01)->and($hole['fill']['carryM'])->toEqualWithDelta(197.5, 1e-9)
        ->and(array_column($hole['fill']['clubs'], 'kind'))->toBe(['fairway wood', 'hybrid']);
    [$wood, $hybrid] = $hole['fill']['clubs'];
    // Common practice, no source: of one carry a wood flies higher than a hybrid, and comes down steeper.
    expect($wood['apexM'])->toBeGreaterThan($hybrid['apexM'])->and($wood['descentDeg'])->toBeGreaterThan($hybrid['descentDeg'])
        ->and($wood['launchDeg'])->toEqualWithDelta(12.5, 1e-9)->and($wood['descentDeg'])->toBeBetween(38.0, 50.0);
    foreach ($hole['moves'] as $move) {
        expect($move['gapM'])->toBeLessThan(22.86);
    }
    // No ball measured: loft and carry are told, no flight; and the kind is the one that lies below the hole.
    $untold = $gapOf([longClub('3', 15, [215, 215]), longClub('h', 22, [180, 180], kind: 'hybrid')])['fill'];
    expect($untold['best'])->toBe('hybrid')->and(array_column($untold['clubs'], 'descentDeg'))->toBe([null, null]);
    expect($gapOf([longClub('3', 15, [215, 215]), longClub('5', 18, [193, 193])])['fill'])->toBeNull();
});

it('predicts no spin outside the flight model’s range: then only what a degree brings over the own clubs is told, or nothing',
    function (): void {
        $high = ['ballSpeedMps' => 55.0, 'launchDeg' => 16.0, 'spinRpm' => 7400.0];
        $hybrid = longClub('h', 22, [172, 176], $high, kind: 'hybrid');
        expect(ClubGaps::turned($hybrid, 1.0, new BallFlight, null))->toBe([]);
        $told = ClubGaps::of([longClub('3', 15, [214, 216]), longClub('5', 18, [199, 201]), $hybrid], new BallFlight, 1.0);
        $of = array_column($told['clubs'], null, 'name');
        expect($of['h']['inRange'])->toBeFalse()->and($of['h']['descentDeg'])->toBeNull()->and($of['h']['descentFrom'])->toBe('unknown')
            ->and($of['h']['runM'])->toBeNull()->and($of['h']['spinRpm'])->toEqualWithDelta(7400.0, 1e-9);
        foreach ($told['gaps'] as $gap) {
            foreach ($gap['moves'] as $move) {
                expect($move['by'])->toBe('own clubs');
            }
        }
        expect($told['perDegree']['carryM'])->toBeBetween(-7.0, -4.0);
        // Three clubs of two shots: no line through three points, but what each club's shots are sure of. A metre or two a degree.
        $half = ($told['perDegree']['interval']->high - $told['perDegree']['interval']->low) / 2;
        expect($half)->toBeBetween(1.0, 5.0);
        // A ball out of range is not flown: without a measured carry such a club has none.
        $unseen = new LongClub('x', 'hybrid', new HeadReading(22, 57), null, '', [LaunchShot::of($high, new BallFlight)]);
        expect(ClubGaps::of([$unseen, longClub('5', 18, [199, 201])], new BallFlight)['clubs'][1])->toMatchArray(['name' => 'x', 'n' => 0,
            'carryM' => null]);
    });

it('computes descent and run where the flight law holds, and takes what was measured before that', function (): void {
    $computed = ClubGaps::of([longClub('3', 15, [215], OF_A_THREE_WOOD)], new BallFlight)['clubs'][0];
    $measured = ClubGaps::of([longClub('3', 15, [215], ['totalM' => 226.0, 'descentDeg' => 41.0] + OF_A_THREE_WOOD)],
        new BallFlight)['clubs'][0];
    expect($computed['descentFrom'])->toBe('computed')->and($computed['descentDeg'])->toBeBetween(35.0,
        50.0)->and($computed['runFrom'])->toBe('computed')
        ->and($measured)->toMatchArray(['descentFrom' => 'measured', 'descentDeg' => 41.0, 'runFrom' => 'measured'])
        ->and($measured['runM'])->toEqualWithDelta(11.0, 1e-9);
});

it('moves no figure of a club for another that is added, save what is told of all together', function (): void {
    $clubs = [longClub('3', 15, [214, 216], OF_A_THREE_WOOD), longClub('5', 18, [199, 201])];
    $before = array_column(ClubGaps::of($clubs, new BallFlight, wantedM: 15)['clubs'], 'carryM', 'name');
    $after = array_column(ClubGaps::of([...$clubs, longClub('h', 22, [180], kind: 'hybrid')], new BallFlight, wantedM: 15)['clubs'],
        'carryM', 'name');
    expect(array_intersect_key($after, $before))->toBe($before);
});

it('refuses clubs that are none', function (array $with, string $field): void {
    $given = $with + ['name' => 'x', 'kind' => 'hybrid', 'position' => 'N'];
    expect(fn () => new LongClub($given['name'], $given['kind'], new HeadReading(20), gapSleeve(), $given['position']))
        ->toThrow(fn (InvalidInput $e) => expect($e->field)->toBe($field));
})->with([[['name' => ' '], 'name'], [['name' => str_repeat('x', 61)], 'name'], [['kind' => 'putter'], 'kind'], [['position' => 'Q'],
    'position']]);

it('reads a table of clubs in either language and unit, tells the lines that are none, and keeps two that are alike', function (): void {
    $read = GapTable::read("Schläger;Carry (m)\nHolz 3;212,5\nHolz 3;212,5\n;180\nHolz 5;weit\n", Hand::Right, new BallFlight);
    expect(array_keys($read->clubs))->toBe(['Holz 3'])->and($read->clubs['Holz 3'])->toHaveCount(2)
        ->and($read->clubs['Holz 3'][0]['values']['carryM'])->toEqualWithDelta(212.5, 1e-9)->and($read->clubs['Holz 3'][0]['line'])->toBe(2)
        ->and($read->problems)->toHaveCount(2)->and(implode(' ',
            $read->problems))->toContain('Line 4: no club is named')->toContain('Line 5');
    $balls = GapTable::read("Club,Ball speed (mph),Launch angle,Spin rate\n3W,148,11.5,3500\n", Hand::Left, new BallFlight);
    expect($balls->clubs['3W'][0]['values']['ballSpeedMps'])->toEqualWithDelta(148 * 0.44704, 1e-6);
    foreach (["Carry\n200\n", "Club,Side\n3W,4\n", "Club,Carry\n"] as $none) {
        expect(fn () => GapTable::read($none, Hand::Right, new BallFlight))->toThrow(UnreadableFile::class);
    }
});

it('says the same by bin/mint, and refuses a misspelt key', function (): void {
    $club = fn (string $name, float $loft, array $carries): array => [
        'name' => $name, 'loftDeg' => $loft, 'lieDeg' => 57, 'shots' => array_map(fn (float $c): array => ['carryM' => $c], $carries),
    ];
    $said = minted('gaps', (string) json_encode(['clubs' => [$club('3', 15, [214, 216]), $club('5', 18, [199, 201])], 'wantedGapM' => 15]));
    $here = ClubGaps::of([longClub('3', 15, [214, 216], turns: false), longClub('5', 18, [199, 201], turns: false)], new BallFlight,
        wantedM: 15);
    expect($said)->toEqual(json_decode((string) json_encode($here), true));
    [$code, $out, $error] = mintRun(['gaps'], '{"clubs":[{"name":"3","loft":15}]}');
    expect($code)->toBe(2)->and($out.$error)->toContain('loft');
});

it('tells a mishit and does not count it; the gap stays where the other shots put it', function (): void {
    $five = longClub('5', 18, [199, 201, 200, 200]);
    $clean = ClubGaps::of([longClub('3', 15, [214, 216, 215, 215]), $five], new BallFlight, wantedM: 15);
    $topped = ClubGaps::of([longClub('3', 15, [214, 216, 215, 95, 215]), $five], new BallFlight, wantedM: 15);
    expect($topped['gaps'])->toEqual($clean['gaps'])
        ->and($topped['clubs'][0])->toMatchArray(['name' => '3', 'n' => 4, 'leftOut' => 1])->and($clean['clubs'][0]['leftOut'])->toBe(0);
    // Of two shots nobody can say which is the odd one.
    expect(ClubGaps::of([longClub('3', 15, [215, 95]), $five], new BallFlight)['clubs'][1])->toMatchArray(['n' => 2, 'leftOut' => 0]);
});

it('refuses what no club carries, and two clubs of one name, saying which', function (array $second, string $field, string $says): void {
    $club = ['name' => '3', 'loftDeg' => 15, 'shots' => [['carryM' => 214]]];
    [$code, $out] = mintRun(['gaps'], (string) json_encode(['clubs' => [$club, $second + $club]]));
    $error = json_decode($out, true)['error'];
    expect($code)->toBe(2)->and($error['field'])->toBe($field)->and($error['message'])->toContain($says)
        ->and(substr_count($error['message'], 'clubs[1]'))->toBe(1);
})->with([
    'too far' => [['name' => '5', 'shots' => [['carryM' => 9000]]], 'clubs[1].shots.carryM', 'between 1 and 450'],
    'no kind' => [['name' => '5', 'kind' => 'spoon'], 'clubs[1].kind', 'one of driver, fairway wood'],
    'the same name' => [[], 'clubs[1].name', 'another \'3\''],
    'loft' => [['name' => '5', 'loftDeg' => 80], 'clubs[1].loftDeg', 'between 4 and 35'],
    'no measure' => [['name' => '5', 'shots' => [['carry' => 9]]], 'clubs[1].shots.carry', 'not a measure'],
]);
