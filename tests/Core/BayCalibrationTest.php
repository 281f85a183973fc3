<?php

declare(strict_types=1);

use MintCarry\Core\Air\Atmosphere;
use MintCarry\Core\Flight\Aerodynamics;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Judging\GuardRailKind;
use MintCarry\Core\Launch\BayCalibration;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Launch\MonitorVisit;
use MintCarry\Core\Record\FittingFile;
use MintCarry\Core\Report\FinderReport;
use MintCarry\Core\Report\JudgingReport;

// What measured carries and apexes say of the monitor that saw them, and where it is used.

/** @param  array{float, float, float}  $law  by how much drag and lift lie off, and the share by which spin is misread */
function lawOffBy(array $law): Aerodynamics
{
    return new Aerodynamics(spinOffset: $law[2], dragFactor: 1 + $law[0] / 0.2, liftFactor: 1 + $law[1] / 0.5);
}

/**
 * Shots as a monitor with its own drag, lift and spin would report them.
 *
 * @param  array{float, float, float}  $law
 * @return list<array{monitor: string, visit: int|null, values: array<string, float>, air: Atmosphere|null}>
 */
function reported(int $n, array $law, string $monitor = 'Bay 1', ?int $visit = 1, float $axis = 0.0): array
{
    $bay = new BallFlight(aerodynamics: lawOffBy($law));

    return array_map(function (int $i) use ($bay, $monitor, $visit, $axis): array {
        $launch = new Launch(56 + 9 * (($i * 0.618) - floor($i * 0.618)), 9 + $i % 7, 2000 + 130 * ($i % 11), $axis / 5, $axis);
        $flown = $bay->fly($launch);

        return ['monitor' => $monitor, 'visit' => $visit, 'air' => null, 'values' => [
            'ballSpeedMps' => $launch->ballSpeedMps, 'launchDeg' => $launch->launchDeg, 'spinRpm' => $launch->spinRpm,
            'directionDeg' => $launch->directionDeg, 'spinAxisDeg' => $launch->spinAxisDeg, 'carryM' => $flown->carryM,
            'apexM' => $flown->apexM,
        ]];
    }, range(1, $n));
}

function calibrated(array $shots): BayCalibration
{
    return BayCalibration::of($shots, new BallFlight, new Atmosphere);
}

/** Of the carry of a usual drive, m. */
function usualCarry(BallFlight $flight): float
{
    return $flight->fly(new Launch(66, 12, 2600))->carryM;
}

it('flies as each monitor on each visit does, and all of them together by their shots', function (): void {
    [$short, $far] = [[0.02, -0.02, 0.0], [-0.012, 0.02, 0.0]];
    $both = calibrated([...reported(20, $short), ...reported(20, $far, 'Bay 2', 2)]);
    $carry = fn (array $law): float => usualCarry(new BallFlight(aerodynamics: lawOffBy($law)));
    expect(usualCarry($both->flightOf('Bay 1', 1)))->toEqualWithDelta($carry($short), 1.0)
        ->and(usualCarry($both->flightOf('Bay 2', 2)))->toEqualWithDelta($carry($far), 1.0)
        ->and(usualCarry($both->flight))->toEqualWithDelta(($carry($short) + $carry($far)) / 2, 1.5)
        // Another monitor's shots move nothing of this one's.
        ->and(usualCarry($both->flightOf('Bay 1', 1)))->toEqual(usualCarry(calibrated(reported(20, $short))->flightOf('Bay 1', 1)))
        // A visit without a measured carry goes by the monitor's others; a monitor that nobody knows by physics alone.
        ->and(usualCarry($both->flightOf('Bay 1', 7)))->toEqual(usualCarry($both->flightOf('Bay 1', 1)))
        ->and(usualCarry($both->flightOf('Bay 3', 1)))->toEqual(usualCarry(new BallFlight));
});

it('believes one shot little and twenty much, and a new visit by what the monitor showed before', function (): void {
    $law = [0.02, -0.03, 0.0];
    $off = fn (array $shots, int $visit): float => usualCarry(calibrated($shots)->flightOf('Bay 1', $visit)) - usualCarry(new BallFlight);
    $true = usualCarry(new BallFlight(aerodynamics: lawOffBy($law))) - usualCarry(new BallFlight);
    [$one, $many] = [$off(reported(1, $law), 1), $off(reported(20, $law), 1)];
    expect(abs($one))->toBeLessThan(abs($many))
        ->and($many)->toEqualWithDelta($true, 1.0)
        ->and(abs($off([...reported(20, $law), ...reported(1, $law, visit: 2)], 2) - $true))->toBeLessThan(abs($one - $true));
});

it('is moved by no absurd shot, by no order, and by no hand', function (): void {
    $shots = reported(15, [0.015, -0.02, 0.0]);
    $wrong = $shots[3];
    $wrong['values']['carryM'] *= 0.5;
    $clean = usualCarry(calibrated($shots)->flight);
    expect(usualCarry(calibrated([...$shots, $wrong])->flight))->toEqualWithDelta($clean, 0.5)
        ->and(usualCarry(calibrated(array_reverse($shots))->flight))->toEqualWithDelta($clean, 1e-9)
        ->and(usualCarry(calibrated(reported(15, [0.015, -0.02, 0.0], axis: 12.0))->flight))
        ->toEqualWithDelta(usualCarry(calibrated(reported(15, [0.015, -0.02, 0.0], axis: -12.0))->flight), 1e-6);
});

it('takes what no ball can have flown for nothing, and needs a carry or an apex', function (): void {
    $shots = reported(6, [0.0, 0.0, 0.0]);
    $bare = array_map(function (array $s): array {
        unset($s['values']['carryM'], $s['values']['apexM']);

        return $s;
    }, $shots);
    $mad = $shots[0];
    $mad['values']['carryM'] = 9000.0;
    $mad['values']['apexM'] = -4.0;
    expect(calibrated($bare)->visits)->toBe([])
        ->and(usualCarry(calibrated($bare)->flight))->toEqual(usualCarry(new BallFlight))
        ->and(calibrated([...$shots, $mad])->visits[0]->n)->toBe(6);
});

it('says what is left over, and that a monitor disagrees from 3 % on', function (float $factor, bool $disagrees): void {
    $shots = array_map(function (array $s) use ($factor): array {
        $s['values']['carryM'] *= $factor;

        return $s;
    }, reported(12, [0.0, 0.0, 0.0]));
    $visit = calibrated($shots)->visits[0];
    expect($visit->disagrees())->toBe($disagrees)
        ->and($visit->carryShare)->toEqualWithDelta($factor - 1, 1e-3)
        ->and(abs((float) $visit->carryShareAfter))->toBeLessThan(abs($factor - 1) + 1e-9)
        ->and($visit->residualAfterM)->toBeLessThanOrEqual($visit->residualBeforeM + 1e-9);
})->with([[1.0, false], [1.025, false], [0.975, false], [1.045, true], [0.95, true]]);

it('knows the offsets less surely from fewer shots', function (): void {
    $sd = fn (int $n): array => calibrated(reported($n, [0.01, 0.0, 0.0]))->visits[0]->sd;
    foreach ([0, 1, 2] as $i) {
        expect($sd(20)[$i])->toBeLessThan($sd(3)[$i]);
    }
});

it('reads the air that a trial was hit in, where it was kept', function (): void {
    expect(BayCalibration::airOf(['temperatureC' => 30, 'altitudeM' => 1200])->altitudeM ?? null)->toBe(1200.0)
        ->and(BayCalibration::airOf(['temperatureC' => 300, 'altitudeM' => 0]))->toBeNull()
        ->and(BayCalibration::airOf([]))->toBeNull();
    // Long carries in thin air say nothing of the monitor.
    $thin = new Atmosphere(28, 1800);
    $shots = array_map(function (array $s) use ($thin): array {
        $flown = (new BallFlight($thin))->fly(LaunchShot::launchOf($s['values']) ?? new Launch(60, 12, 2500));

        return ['air' => $thin, 'values' => ['carryM' => $flown->carryM, 'apexM' => $flown->apexM] + $s['values']] + $s;
    }, reported(10, [0.0, 0.0, 0.0]));
    expect(usualCarry(calibrated($shots)->flight))->toEqualWithDelta(usualCarry(new BallFlight), 1e-6);
});

it('keeps a visit through plain values as a cache would', function (): void {
    $visit = calibrated(reported(8, [0.01, -0.02, 0.03]))->visits[0];
    $again = new MonitorVisit(...get_object_vars($visit));
    expect($again)->toEqual($visit)
        ->and(usualCarry(BayCalibration::from([$again], new BallFlight)->flight))
        ->toEqual(usualCarry(calibrated(reported(8, [0.01, -0.02, 0.03]))->flight));
});

it('computes in a fitting what the monitor left out by what it measured, and tells so', function (): void {
    $file = json_decode((string) file_get_contents(dirname(__DIR__).'/fixtures/figures/right-handed-club-seen.json'), true);
    // The monitor reads every carry 6 % long; one shot has no carry.
    $long = $file;
    $touched = 0;
    foreach ($long['shots'] as $i => $s) {
        $values = array_map(floatval(...), $s['measured']);
        $plain = LaunchShot::of(array_diff_key($values, ['carryM' => 0, 'apexM' => 0]), new BallFlight);
        $long['shots'][$i]['measured'] = $values + [];
        $long['shots'][$i]['measured']['carryM'] = 1.06 * (float) ($plain->computed['carryM'] ?? 200.0);
        unset($long['shots'][$i]['measured']['apexM'], $long['shots'][$i]['measured']['totalM']);
        $touched++;
    }
    expect($touched)->toBeGreaterThan(5);
    unset($long['shots'][0]['measured']['carryM']);
    $record = FittingFile::read($long);
    $tag = $long['shots'][0]['setup'];
    $bare = LaunchShot::of(array_map(floatval(...), $long['shots'][0]['measured']), new BallFlight);
    $sequence = $long['shots'][0]['sequence'] ?? 1;
    $one = array_values(array_filter($record->shots[$tag], fn ($s): bool => $s->sequence === $sequence))[0]->shot;
    expect($one->computed['carryM'] / $bare->computed['carryM'])->toBeGreaterThan(1.035)->toBeLessThan(1.065);
    $report = JudgingReport::of($record);
    expect(array_map(fn (array $r): string => $r['kind']->value, $report['rails']))->toContain(GuardRailKind::MonitorDisagrees->value)
        ->and($report['calibration'][0]['disagrees'])->toBeTrue();
    // What is predicted goes by it too.
    $carry = fn (array $data): float => FinderReport::of(FittingFile::read($data))['setups'][0]['carryM'];
    $none = $long;
    foreach ($none['shots'] as $i => $_) {
        unset($none['shots'][$i]['measured']['carryM']);
    }
    expect($carry($long) / $carry($none))->toBeGreaterThan(1.03);
});
