<?php

declare(strict_types=1);

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\HeadReading;
use MintCarry\Core\Club\RackedHead;
use MintCarry\Core\Club\SleeveSystem;
use MintCarry\Core\Errors\ModelFailure;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\Screening;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Record\FittingRecord;
use MintCarry\Core\Record\SetupRecord;
use MintCarry\Core\Record\ShotRecord;
use MintCarry\Core\Report\AdviceReport;
use MintCarry\Core\Report\CompareReport;
use MintCarry\Core\Report\DecideReport;
use MintCarry\Core\Report\FinderReport;
use MintCarry\Core\Report\JudgingReport;

// A fault of ours on one shot or setup leaves that one out and says so; all else stands as if it were not there.

/** A shot whose flight failed. No input is known that does this: it is made here as the core would make it. */
function failedShot(): LaunchShot
{
    $failure = ModelFailure::while('The flight of a ball of 66.0 m/s', 'it ends nowhere');
    $make = fn (): LaunchShot => new LaunchShot(['ballSpeedMps' => 66.0, 'launchDeg' => 12.0, 'spinRpm' => 2500.0], [], null, $failure);

    return Closure::bind($make, null, LaunchShot::class)();
}
/** @param  list<ShotRecord>  $more  shots of A */
function recordWith(array $more): FittingRecord
{
    $case = caseOf(['A' => [64.0, 12.0, 0.0, 6], 'B' => [65.0, 12.5, 1.0, 6]]);

    return new FittingRecord(
        7, Hand::Right, new Brief, Screening::named('flagged'), new BallFlight, $case->setups,
        ['A' => [...$case->shots['A'], ...$more]] + $case->shots, 'A', twoHeads(), 'A',
    );
}

it('leaves a shot out whose flight failed, names it, and judges the rest as if it were not there', function (callable $report): void {
    $without = $report(recordWith([]));
    $with = $report(recordWith([new ShotRecord(failedShot(), 99)]));
    expect($without['failures'] ?? [])->toBe([])
        ->and(array_diff_key($with, ['failures' => 0]))->toEqual(array_diff_key($without, ['failures' => 0]))
        ->and($with['failures'])->toHaveCount(1)
        ->and($with['failures'][0]['line'])
        ->toContain('Shot 99 of A, which is left out', 'a fault of ours', $with['failures'][0]['reference'])
        ->and($with['failures'][0]['reference'])->toMatch('/^[0-9a-f]{8}$/');
})->with([
    'Compare, its judging' => [JudgingReport::of(...)],
    'the finder' => [FinderReport::of(...)],
    'Decide' => [DecideReport::of(...)],
    'the advice' => [AdviceReport::of(...)],
]);

it('compares the measured means without a shot that failed', function (): void {
    expect(CompareReport::of(recordWith([new ShotRecord(failedShot(), 99)])))->toEqual(CompareReport::of(recordWith([])));
});

it('says of the failed shot itself what failed, and that it does not count', function (): void {
    $issues = failedShot()->issues();
    expect($issues)->toHaveCount(1)
        ->and($issues[0]->message)->toContain('could not be worked out', 'a fault of ours');
});

it('leaves a setup out that the models give no flying ball for, and ranks the others', function (): void {
    $head = fn (string $label, float $loft): RackedHead => new RackedHead(
        $label, Hand::Right, ($stated = new HeadReading($loft, 58.0, 0.0)),
        SleeveSystem::fromArray(
            ['name' => $label, 'kind' => 'single', 'tiltDeg' => 0.5, 'positions' => [['label' => 'N', 'clockDeg' => 0]]], $stated,
        ),
    );
    [$own, $near, $flat] = [$head('Own head', 14.0), $head('Near head', 13.0), $head('Flat head', 4.0)];
    $shots = array_map(fn (int $i): ShotRecord => new ShotRecord(ballShot($i, 60.0, 3.0, 0.0), $i), range(1, 8));
    $record = fn (array $rack): FittingRecord => new FittingRecord(
        7, Hand::Right, new Brief, Screening::named('flagged'), new BallFlight,
        ['A' => new SetupRecord('A', 'Own head', $own, $own->sleeve, 'N', [], '')], ['A' => $shots], 'A', $rack, 'A',
    );
    $found = FinderReport::of($record([$own, $near, $flat]));
    expect(array_column($found['failures'], 'line'))->toHaveCount(1)
        ->and($found['failures'][0]['line'])->toContain('Flat head')
        ->and(array_column($found['setups'], 'head'))->toContain('Near head')->not->toContain('Flat head');
    // Where nothing remains but the own club, that is answered, not a failure.
    expect(FinderReport::of($record([$own, $flat]))['failures'])->toHaveCount(1);
});

it('quotes the same failure by the same reference, and another by another', function (): void {
    $one = ModelFailure::while('A thing', 'it broke');
    expect($one->reference())->toBe(ModelFailure::while('A thing', 'it broke')->reference())
        ->not->toBe(ModelFailure::while('A thing', 'it broke elsewhere')->reference())
        ->and($one->within('A larger thing')->line())
        ->toStartWith('A larger thing could not be worked out. That is a fault of ours')
        ->and($one->within('A larger thing')->why)->toContain('it broke');
});
