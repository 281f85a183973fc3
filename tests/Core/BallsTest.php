<?php

declare(strict_types=1);

use MintCarry\Core\Air\Atmosphere;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Flight\Aerodynamics;
use MintCarry\Core\Flight\BallFactors;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Launch\BayCalibration;

/**
 * Shots whose carries a monitor measured, each with 2 m of its own noise.
 *
 * @param  array<string, BallFactors>  $balls  what the balls are in truth, by name
 * @return list<array{monitor: string, visit: int, values: array<string, float>, air: null, ball: string}>
 */
function shotsOfBalls(array $balls, int $each, int $seed = 7, ?callable $visitOf = null, ?Aerodynamics $monitor = null): array
{
    mt_srand($seed);
    $normal = static fn (float $sd): float => $sd * sqrt(-2 * log(mt_rand(1, 1_000_000) / 1_000_001)) * cos(2 * M_PI * mt_rand() / mt_getrandmax());
    $out = [];
    foreach ($balls as $name => $ball) {
        for ($i = 0; $i < $each; $i++) {
            $launch = new Launch(68 + $normal(1.5), 13 + $normal(1.5), 2600 + $normal(250));
            $flown = (new BallFlight(aerodynamics: ($monitor ?? new Aerodynamics)->ofBall($ball)))->fly($launch);
            $out[] = [
                'monitor' => 'bay', 'visit' => $visitOf === null ? 1 : $visitOf($name), 'air' => null, 'ball' => (string) $name,
                'values' => [
                    'ballSpeedMps' => $launch->ballSpeedMps, 'launchDeg' => $launch->launchDeg, 'spinRpm' => $launch->spinRpm,
                    'carryM' => $flown->carryM + $normal(2), 'apexM' => $flown->apexM + $normal(1),
                ],
            ];
        }
    }

    return $out;
}

$driver = new Launch(68, 13, 2600);

it('tells two balls of one visit apart, whatever the monitor reads', function (float $drag, float $lift) use ($driver) {
    $monitor = new Aerodynamics([0, 0, 0, 1.0, -0.5]);
    $true = (new BallFlight)->knowing(['Mallow' => new BallFactors, 'Sorrel' => new BallFactors($drag, $lift)]);
    $far = $true->ofBall('Sorrel')->fly($driver)->carryM - $true->ofBall('Mallow')->fly($driver)->carryM;
    $off = [];
    for ($seed = 1; $seed <= 10; $seed++) {
        $shots = shotsOfBalls(['Mallow' => new BallFactors, 'Sorrel' => new BallFactors($drag, $lift)], 20, $seed, monitor: $monitor);
        [$told] = BayCalibration::of($shots, new BallFlight, new Atmosphere)->balls;
        expect([$told['ball'], $told['than'], $told['n'], $told['nThan']])->toBe(['Sorrel', 'Mallow', 20, 20]);
        $off[] = ($told['carryM'] - $far) / $told['carrySdM'];
    }
    expect(count(array_filter($off, static fn (float $z): bool => abs($z) > 2)))->toBeLessThanOrEqual(1)
        ->and(abs(array_sum($off) / 10))->toBeLessThan(0.6);
})->with([[1.0, 1.0], [1.05, 1.0], [1.0, 0.95], [0.96, 1.03]]);

it('lets each ball fly as it was seen to, and what the rack says where nothing was seen', function () use ($driver) {
    $flight = BayCalibration::of(
        shotsOfBalls(['Mallow' => new BallFactors, 'Sorrel' => new BallFactors(1.06)], 30), new BallFlight, new Atmosphere,
    )->flight;
    $carry = static fn (string $ball): float => $flight->ofBall($ball)->fly($driver)->carryM;
    expect($carry('Mallow') - $carry('Sorrel'))->toEqualWithDelta(
        (new BallFlight)->fly($driver)->carryM - (new BallFlight(aerodynamics: new Aerodynamics(dragFactor: 1.06)))->fly($driver)->carryM, 1.5,
    );
    $rack = (new BallFlight)->knowing(['Range ball' => new BallFactors(1.1, 0.95, 'wind tunnel')]);
    $unseen = BayCalibration::of(shotsOfBalls(['Mallow' => new BallFactors], 20), $rack, new Atmosphere)->flight->ofBall('Range ball');
    expect($unseen->aerodynamics->dragFactor)->toBe(1.1)->and($unseen->aerodynamics->liftFactor)->toBe(0.95);
});

it('says nothing of a ball alone, of two on two visits, or of a few carries', function () {
    $two = ['Mallow' => new BallFactors, 'Sorrel' => new BallFactors(1.08)];
    $told = static fn (array $shots): array => BayCalibration::of($shots, new BallFlight, new Atmosphere)->balls;
    expect($told(shotsOfBalls(['Mallow' => new BallFactors], 30)))->toBe([])
        ->and($told(shotsOfBalls($two, 30, visitOf: fn (string $ball): int => $ball === 'Mallow' ? 1 : 2)))->toBe([])
        ->and($told(shotsOfBalls($two, 5)))->toBe([])
        ->and($told(shotsOfBalls($two, 6)))->toHaveCount(1);
});

it('takes a ball that is known as what it is: the monitor is not blamed for it', function () {
    $known = ['Mallow' => new BallFactors(1.08, 0.96)];
    $shots = shotsOfBalls($known, 30);
    [$usual] = BayCalibration::of($shots, new BallFlight, new Atmosphere)->visits;
    [$visit] = BayCalibration::of($shots, (new BallFlight)->knowing($known), new Atmosphere)->visits;
    expect($usual->disagrees())->toBeTrue()->and($visit->disagrees())->toBeFalse()
        ->and(abs((float) $visit->carryShare))->toBeLessThan(0.01);
});

it('moves nothing by a name alone, in any order of the shots', function () {
    $shots = shotsOfBalls(['Mallow' => new BallFactors, 'Sorrel' => new BallFactors(1.05)], 12);
    $unnamed = array_map(static fn (array $s): array => ['ball' => ''] + $s, $shots);
    $one = array_map(static fn (array $s): array => ['ball' => 'Mallow'] + $s, $shots);
    $visits = static fn (array $of): array => array_map(static fn ($v): array => $v->toArray(), BayCalibration::of($of, new BallFlight, new Atmosphere)->visits);
    expect($visits($one))->toBe($visits($unnamed))
        ->and(BayCalibration::of(array_reverse($shots), new BallFlight, new Atmosphere)->balls)->toEqual(
            BayCalibration::of($shots, new BallFlight, new Atmosphere)->balls,
        );
});

it('refuses a factor that no golf ball has', function () {
    expect(fn () => BallFactors::read(['dragFactor' => 2]))->toThrow(InvalidInput::class, 'dragFactor')
        ->and(fn () => BallFactors::read(['liftFactor' => 'more']))->toThrow(InvalidInput::class, 'must be a number')
        ->and(BallFactors::read(['build' => 'three pieces']))->toBeNull()
        ->and(BallFactors::read(['liftFactor' => '0.97', 'factorsFrom' => 'own range, May'])?->from)->toBe('own range, May');
});
