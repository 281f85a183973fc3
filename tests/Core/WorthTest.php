<?php

declare(strict_types=1);

use MintCarry\Core\Air\Atmosphere;
use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Club\SwingWeight;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Flight\FlightRange;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Impact\Delivery;
use MintCarry\Core\Impact\Impact;
use MintCarry\Core\Impact\PlayerPriors;
use MintCarry\Core\Impact\Strike;
use MintCarry\Core\Record\Item;
use MintCarry\Core\Report\Calculator;
use MintCarry\Core\Report\Worth;

// What a degree, a millimetre, a gram and the weather are worth, against the trade facts of tests/reference/common-practice.csv and the
// published
// sensitivities named below.

const MPS_PER_MPH = 0.44704;
const M_PER_YD = 0.9144;

/** @return array<string, array<string, mixed>> rows by what they change; the first of each */
function worthRows(float $mph, mixed ...$more): array
{
    $out = [];
    foreach (Worth::of($mph * MPS_PER_MPH, ...$more)['rows'] as $row) {
        $out[$row['what']] ??= $row;
    }

    return $out;
}

it('meets CP04: about four yards of carry to the mph of club speed from 80 to 110', function (float $mph): void {
    // With loft matched to the speed, so from longest to longest. Common practice, no source.
    $carry = fn (float $at): float => Worth::of($at * MPS_PER_MPH)['base']['carryM'] / M_PER_YD;
    expect($carry($mph + 1) - $carry($mph))->toBeBetween(2.5, 5.0)
        ->and(($carry(110) - $carry(80)) / 30)->toBeBetween(3.0, 5.0);
})->with([80.0, 95.0, 108.0]);

it('says what a step of the reader’s own units is worth', function (): void {
    $rows = worthRows(100, 0.0, 13.0, new Atmosphere, MintCarry\Core\Flight\Turf::Medium, new MintCarry\Core\Club\Head, MintCarry\Core\Club\Hand::Right, ['speedMps' => MPS_PER_MPH, 'windMps' => 10 * MPS_PER_MPH, 'altitudeM' => 457.2]);
    $usual = worthRows(100, 0.0, 13.0);
    expect($rows['clubSpeed']['by'])->toBe(MPS_PER_MPH)->and($rows['clubSpeed']['carryM'])->toEqualWithDelta(MPS_PER_MPH * $usual['clubSpeed']['carryM'], 0.05)
        ->and($rows['altitude']['by'])->toBe(457.2)->and($rows['loft'])->toBe($usual['loft']);
    expect(fn () => Worth::of(44.0, steps: ['windMps' => 90.0]))->toThrow(MintCarry\Core\Errors\InvalidInput::class, 'steps.windMps');
});

it('says a degree of face about four of axis, and path the other way', function (): void {
    // docs/physics.md, prototype values at 100 mph: face 1° +9.3 yd, path 1° −5.1 yd; they were another program's.
    $rows = worthRows(100, 0.0, 13.0);
    expect($rows['face']['sideM'] / M_PER_YD)->toEqualWithDelta(9.3, 1.5)->and($rows['path']['sideM'] / M_PER_YD)->toEqualWithDelta(-5.1,
        1.5)
        ->and($rows['loft']['spinRpm'])->toBeBetween(120.0, 260.0)->and($rows['loft']['ballSpeedMps'])->toBeLessThan(0.0)
        ->and($rows['attack']['ballSpeedMps'] / MPS_PER_MPH)->toEqualWithDelta(0.56, 0.3);
});

it('says warmth, height and wind with the signs and the sizes that are known', function (): void {
    // Common practice, no source: 10 mph of head wind costs more than the same tail wind gives; a few yards to the 10 °C; about one percent
    // of carry to the 300 m.
    $rows = worthRows(113, -1.3);
    expect($rows['temperature']['carryM'] / M_PER_YD)->toBeBetween(0.5,
        5.0)->and($rows['altitude']['carryM'] / M_PER_YD)->toBeBetween(2.0, 9.0)
        ->and($rows['headWind']['carryM'] / M_PER_YD)->toBeBetween(-24.0,
            -13.0)->and($rows['tailWind']['carryM'] / M_PER_YD)->toBeBetween(7.0, 18.0)
        ->and(-$rows['headWind']['carryM'])->toBeGreaterThan($rows['tailWind']['carryM'])
        ->and($rows['windFromLeft']['sideM'])->toEqualWithDelta(-$rows['windFromRight']['sideM'], 0.05)
        ->and($rows['windFromLeft']['sideM'])->toBeGreaterThan(5.0);
});

it('loses off the centre as CP15 has it, both ways alike', function (): void {
    $rows = [];
    foreach (Worth::of(100 * MPS_PER_MPH)['rows'] as $row) {
        $rows[$row['what'].$row['by']] = $row;
    }
    expect($rows['toe10']['ballSpeedMps'] / MPS_PER_MPH)->toBeBetween(-4.5, -1.0)
        ->and($rows['toe10']['ballSpeedMps'])->toEqualWithDelta($rows['heel10']['ballSpeedMps'], 0.06)
        ->and($rows['high5']['spinRpm'])->toBeLessThan(0)->and($rows['low5']['spinRpm'])->toBeGreaterThan(0);
});

it('spins more off the heel than off the toe, for either hand, in the calculator and over the face', function (Hand $hand): void {
    // Common practice, no source: a heel strike spins more, a toe strike less.
    $rows = worthRows(100, 0.0, 13.0, new Atmosphere, MintCarry\Core\Flight\Turf::Medium, new MintCarry\Core\Club\Head, $hand);
    expect($rows['heel']['spinRpm'])->toBeGreaterThan(60.0)->and($rows['toe']['spinRpm'])->toBeLessThan(-4.0);
    foreach (MintCarry\Core\Club\Head::PRESETS as $preset) {
        $spin = static fn (float $toe): float => (new MintCarry\Core\Impact\Impact(MintCarry\Core\Club\Head::preset($preset), $hand))
            ->strike(new MintCarry\Core\Impact\Delivery(44.7, 0, 0, 13, 0), new MintCarry\Core\Impact\Strike($toe, 0))->spinRpm;
        expect($spin(-12))->toBeGreaterThan($spin(0) + 60)->and($spin(12))->toBeLessThan($spin(0) - 15);
    }
})->with([Hand::Right, Hand::Left]);

it('is the mirrored twin for a left-hander', function (): void {
    [$right, $left] = [worthRows(98, 1.0, 14.0), worthRows(98, 1.0, 14.0, new Atmosphere, MintCarry\Core\Flight\Turf::Medium,
        new MintCarry\Core\Club\Head, Hand::Left)];
    foreach ($right as $what => $row) {
        // Face, path and wind are as the viewer sees them: they go the same way for both hands, though a face that looks right is open for
        // one and closed for the other.
        $isSeen = in_array($what, ['face', 'path', 'windFromLeft', 'windFromRight'], true);
        expect($left[$what]['carryM'])->toEqualWithDelta($row['carryM'], $isSeen ? 0.6 : 1e-6)
            ->and($left[$what]['sideM'])->toEqualWithDelta($isSeen ? $row['sideM'] : -$row['sideM'], $isSeen ? 0.3 : 1e-6, $what);
    }
});

it('refuses swings that are none, by name', function (array $given, string $field): void {
    expect(fn () => Calculator::of('worth', Item::of($given)))->toThrow(fn (InvalidInput $e) => expect($e->field)->toContain($field));
})->with([
    [['clubSpeedMps' => 900], 'clubSpeedMps'], [[], 'clubSpeedMps'], [['clubSpeedMps' => 45, 'attackDeg' => 40], 'attackDeg'],
    [['clubSpeedMps' => 45, 'loftDeg' => 12], 'loftDeg'], [['clubSpeedMps' => 45, 'dynamicLoftDeg' => 90], 'dynamicLoftDeg'],
    [['clubSpeedMps' => 45, 'attackDeg' => -12, 'dynamicLoftDeg' => 2], 'dynamicLoftDeg'],
]);

it('works out flight, window, plane, swing weight and length as the commands do', function (): void {
    $flight = Calculator::of('flight', Item::of(['ballSpeedMps' => 70, 'launchDeg' => 11, 'spinRpm' => 2500,
        'air' => ['windSpeedMps' => 5, 'windFromDeg' => 180]]));
    $still = Calculator::of('flight', Item::of(['ballSpeedMps' => 70, 'launchDeg' => 11, 'spinRpm' => 2500]));
    expect($flight['carryM'])->toBeGreaterThan($still['carryM'] + 4)->and($still['points'])->not->toBe([]);
    $window = Calculator::of('window', Item::of(['clubSpeedMps' => 45, 'attackDeg' => 2]));
    expect($window['total']['dynamicLoftDeg'])->toBeLessThan($window['carry']['dynamicLoftDeg'])
        ->and($window['carry']['loftBandDeg'][0])->toBeLessThan($window['carry']['dynamicLoftDeg']);
    $sleeve = ['name' => 's', 'kind' => 'single', 'tiltDeg' => 1.5, 'home' => 'a', 'positions' => [['label' => 'a', 'clockDeg' => 0],
        ['label' => 'b', 'clockDeg' => 90]]];
    $plane = Calculator::of('plane', Item::of(['head' => ['loftDeg' => 10.5, 'lieDeg' => 58], 'sleeve' => $sleeve, 'squares' => 1]));
    // docs/physics.md, "Sleeve": a tilt of 1.5° toward the target adds 1.77° squared at lie 58; home is upright here, so the straight
    // lie is 56.5.
    expect($plane['squared'][1]['loftDeg'] - $plane['squared'][0]['loftDeg'])->toEqualWithDelta(1.77 * sin(deg2rad(58)) / sin(deg2rad(56.5)), 0.02)
        ->and($plane['soled'][1]['loftDeg'])->toEqualWithDelta(10.5, 1e-9);
    $swing = Calculator::of('swing', Item::of(['headMassG' => 200, 'lengthMm' => 1155.7, 'gripMassG' => 50,
        'shaft' => ['rawMassG' => 65]]));
    expect($swing['swingWeight'])->toStartWith('D2');
    $length = Calculator::of('length', Item::of([
        'headMassG' => 200, 'lengthMm' => 1155.7, 'gripMassG' => 50, 'shaft' => ['rawMassG' => 65], 'toLengthMm' => 1143,
        'toSwingWeight' => 'D4',
    ]));
    expect($length['solutions'][0]['swingWeight'])->toBe('D4')->and($length['was']['swingWeight'])->toBe($swing['swingWeight']);
});

it('knows where the flight law holds', function (): void {
    expect(FlightRange::covers(new Launch(70, 12, 2500)))->toBeTrue()->and(FlightRange::covers(new Launch(58, 14, 7400)))->toBeFalse()
        ->and(FlightRange::outOf(new Launch(59, 12.1, 7361)))->toBe(['field' => 'spinRpm', 'value' => 7361.0, 'low' => 1000.0, 'high' => 7200.0])
        ->and(FlightRange::covers(new Launch(35, 14, 4000)))->toBeFalse()->and(FlightRange::covers(new Launch(58, 28, 4000)))->toBeFalse();
});

it('says of a gram what the heavier head gives and what the slower swing takes', function (): void {
    $row = worthRows(100, 0.0, 13.0)['headGram'];
    $slower = PlayerPriors::SPEED_MPS_PER_POINT * SwingWeight::pointsPerHeadG(null);
    $ball = static fn (float $mps, Head $head): float => (new Impact($head))->strike(new Delivery($mps, 0, 0, 13.0, 0), new Strike(0, 0))->ballSpeedMps;
    $at = 100 * MPS_PER_MPH;
    // A point of swing weight is about two grams at the head, so that a gram is half a point (common practice, no source).
    expect(SwingWeight::pointsPerHeadG(null))->toBeBetween(0.4, 0.8)->and($slower)->toBeBetween(-0.04, -0.015)
        ->and($row['ballSpeedMps'])->toEqualWithDelta($ball($at + $slower, (new Head)->heavier(1.0)) - $ball($at, new Head), 1e-9);
});

it('changes one thing by the step that it names', function (): void {
    $at = 100 * MPS_PER_MPH;
    $ball = static fn (float $mps, float $loft, float $toe, float $high): Launch => (new Impact(new Head))
        ->strike(new Delivery($mps, 0, 0, $loft, 0), new Strike($toe, $high));
    $base = $ball($at, 13.0, 0, 0);
    $rows = Worth::of($at, 0.0, 13.0)['rows'];
    $of = static fn (string $what, float $by): array => array_values(array_filter($rows, static fn (array $r): bool => $r['what'] === $what && $r['by'] === $by))[0];
    foreach ([['clubSpeed', 1.0, $ball($at + 1, 13.0, 0, 0)], ['loft', 1.0, $ball($at, 14.0, 0, 0)], ['toe', 10.0, $ball($at, 13.0, 10, 0)],
        ['heel', 10.0, $ball($at, 13.0, -10, 0)], ['high', 5.0, $ball($at, 13.0, 0, 5)], ['low', 5.0, $ball($at, 13.0, 0, -5)]] as [$what, $by, $then]) {
        expect($of($what, $by)['ballSpeedMps'])->toEqualWithDelta($then->ballSpeedMps - $base->ballSpeedMps, 1e-9)
            ->and($of($what, $by)['spinRpm'])->toEqualWithDelta($then->spinRpm - $base->spinRpm, 1e-6)
            ->and($of($what, $by)['launchDeg'])->toEqualWithDelta($then->launchDeg - $base->launchDeg, 1e-9);
    }
    expect($of('spin', 100.0)['spinRpm'])->toEqualWithDelta(100.0, 1e-9)->and($of('spin', 100.0)['launchDeg'])->toEqualWithDelta(0.0, 1e-9);
});
