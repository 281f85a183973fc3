<?php

declare(strict_types=1);

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Fitting\ShotSet;
use MintCarry\Core\Judging\Bridge;
use MintCarry\Core\Judging\CarryThrough;
use MintCarry\Core\Judging\Diagnosis;
use MintCarry\Core\Judging\Evidence;
use MintCarry\Core\Judging\Finding;
use MintCarry\Core\Judging\FindingKind;
use MintCarry\Core\Judging\LikeForLike;
use MintCarry\Core\Judging\NextMove;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Launch\Measure;

require_once __DIR__.'/../Swings.php';

// --- Evidence ---------------------------------------------------------------------------------------------------------

it('takes the delivery from the monitor where it gives one, and from the ball where not', function (): void {
    $seen = evidence('A', [45.0, 1.5, -2.0, 13.0, -1.0, 4.0, 3.0]);
    $guessed = evidence('A', [45.0, 0.0, 0.0, 13.0, 0.0, 0.0, 0.0], hide: CLUB);
    expect($seen->state)->toEqualWithDelta([45.0, 1.5, -2.0, 13.0, -1.0, 4.0, 3.0], 0.02)
        ->and($seen->from)->toBe(array_fill(0, 7, 'measured'))
        ->and($seen->hasClub())->toBeTrue()
        ->and($guessed->hasClub())->toBeFalse()
        ->and($guessed->state[0])->toEqualWithDelta(45.0, 1.2)
        ->and(array_unique($guessed->from))->not->toContain('measured');
});

it('is surer of a mean with more shots', function (): void {
    expect(evidence('A', USUAL, n: 12)->error[0])->toBeLessThan(0.8 * evidence('A', USUAL, n: 4)->error[0]);
});

it('says nothing of a setup without ball speed, launch or spin, nor of a ball that does not fly', function (): void {
    $none = Evidence::of(
        specOf('A'), new ShotSet('A', [LaunchShot::of(['clubSpeedMps' => 45.0, 'carryM' => 200.0], sameFlight())]), sameFlight(),
    );
    $topped = Evidence::of(
        specOf('A'),
        new ShotSet('A', [LaunchShot::of(['ballSpeedMps' => 40.0, 'launchDeg' => -2.0, 'spinRpm' => 900.0], sameFlight())]),
        sameFlight(),
    );
    expect($none)->toBeNull()->and($topped)->toBeNull();
});

// --- Like for like ----------------------------------------------------------------------------------------------------

it('takes the luck of a lucky swing out of carry, and leaves the club in', function (): void {
    // The same club twice; the second time the swings happened to be a meter per second faster and truer on the face.
    $a = evidence('A', [45.0, 0.0, 0.0, 13.0, 0.0, -5.0, 1.0]);
    $b = evidence('B', [46.0, 0.0, 0.0, 13.0, 0.0, 0.0, 1.0]);
    $alike = LikeForLike::of([$a, $b]);
    $raw = $alike['B']->measured['carryM']->mean - $alike['A']->measured['carryM']->mean;
    $told = $alike['B']->against($alike['A'], 'carryM');
    expect($raw)->toBeGreaterThan(3.5)
        ->and(abs($told['value']))->toBeLessThan(0.75 * $raw)
        ->and($told['interval']->contains(0.0))->toBeTrue();
    // Four degrees more delivered loft is no luck: it stays.
    $c = evidence('C', [45.0, 0.0, 0.0, 17.0, 0.0, 0.0, 2.0]);
    $a = evidence('A', USUAL);
    $spin = LikeForLike::of([$a, $c]);
    expect($spin['C']->against($spin['A'], 'spinRpm')['value'])->toBeGreaterThan(
        0.9 * ($spin['C']->measured['spinRpm']->mean - $spin['A']->measured['spinRpm']->mean),
    );
});

it('keeps what a setup itself moves, shrunk, as a line of its own', function (): void {
    $few = LikeForLike::of([evidence('A', USUAL, n: 4), evidence('B', [45.0, 0.0, 0.0, 13.0, 0.0, -8.0, 2.0], n: 4)]);
    $many = LikeForLike::of([evidence('A', USUAL, n: 24), evidence('B', [45.0, 0.0, 0.0, 13.0, 0.0, -8.0, 2.0], n: 24)]);
    $toe = fn (array $of): float => array_column($of['B']->ownShifts, 'shift', 'field')['strikeToeMm'];
    expect($toe($few))->toBeLessThan(0.0)
        ->and(abs($toe($few)))->toBeLessThan(abs($toe($many)))
        ->and(abs($toe($many)))->toBeLessThan(8.0)
        ->and($few['B']->corrected)->toBe(['clubSpeedMps', 'attackDeg', 'pathDeg', 'strikeToeMm', 'strikeHighMm']);
});

it('works with ball data alone, with fewer corrections, and says so', function (): void {
    $alike = LikeForLike::of([evidence('A', USUAL, hide: CLUB), evidence('B', [46.0, 0.0, 0.0, 13.0, 0.0, 0.0, 2.0], hide: CLUB)]);
    expect($alike['B']->corrected)->toBe(['ballSpeedMps'])
        ->and($alike['B']->ownShifts)->toBe([])
        ->and($alike['B']->against($alike['A'], 'carryM'))->not->toBeNull()
        ->and(LikeForLike::of([]))->toBe([]);
});

it('leaves a topped ball out of what it moves, and a low one in', function (): void {
    $with = function (float $launchDeg): LikeForLike {
        $low = LaunchShot::of(['launchDeg' => $launchDeg] + swings(USUAL, 1)[0]->measured, sameFlight());
        $b =
            Evidence::of(specOf('B'), new ShotSet('B', [...swings(USUAL, 6), $low]), sameFlight()) ??
            throw new LogicException('no evidence');

        return LikeForLike::of([evidence('A', USUAL), $b])['B'];
    };
    [$topped, $low] = [$with(0.3), $with(0.9)];
    // Seven were measured; what was moved is the six that flew, so their mean is that of six.
    expect($topped->n)->toBe(7)
        ->and($topped->alike['launchDeg']['mean'])->toBeGreaterThan($low->alike['launchDeg']['mean'] + 1.0)
        ->and($low->alike['launchDeg']['mean'])->toBeLessThan($low->measured['launchDeg']->mean + 0.5);
});

it('moves only what the swing did, to what is typical, and adds the models’ difference to what was measured', function (): void {
    // One is faster, one slower by as much: typical lies between, and each is moved toward it, the faster down.
    [$slow, $fast] = [evidence('A', [44.0, 0.0, 0.0, 13.0, 0.0, 0.0, 2.0]), evidence('B', [46.0, 0.0, 0.0, 13.0, 0.0, 0.0, 2.0])];
    $alike = LikeForLike::of([$slow, $fast]);
    foreach (['carryM', 'totalM'] as $measure) {
        expect($alike['A']->alike[$measure]['mean'])->toBeGreaterThan($alike['A']->measured[$measure]->mean)
            ->and($alike['B']->alike[$measure]['mean'])->toBeLessThan($alike['B']->measured[$measure]->mean);
    }
    expect(array_column($alike['A']->ownShifts, 'shift', 'field')['clubSpeedMps'])->toBeLessThan(0.0)
        ->and(array_column($alike['A']->ownShifts, 'carryM', 'field')['clubSpeedMps'])->toBeLessThan(0.0)
        ->and(array_column($alike['B']->ownShifts, 'carryM', 'field')['clubSpeedMps'])->toBeGreaterThan(0.0);
    // The same swing twice: nothing to move, nothing told.
    $same = LikeForLike::of([evidence('A', USUAL), evidence('B', USUAL)]);
    expect($same['B']->against($same['A'], 'carryM')['value'])->toEqualWithDelta(0.0, 1e-9)
        ->and($same['B']->alike['carryM']['mean'])->toEqualWithDelta($same['B']->measured['carryM']->mean, 0.3)
        ->and($same['B']->against($same['A'], 'apexM'))->toBeNull();
});

// --- Why bridge -------------------------------------------------------------------------------------------------------

it('adds up to the difference exactly, for every figure and either way round', function (): void {
    $a = evidence('A', [45.0, -1.0, 2.0, 13.5, 1.0, -5.0, -2.0]);
    $b = evidence('B', [46.2, 0.5, -1.0, 12.0, -1.5, 3.0, 4.0], ['head' => 'Plover 445', 'body' => Head::preset('low-spin', 9.5)]);
    foreach ([[$a, $b], [$b, $a]] as [$from, $to]) {
        foreach (Bridge::between($from, $to, 0.5) as $field => $bridge) {
            expect(array_sum(array_column($bridge->lines, 'happened')))->toEqualWithDelta($bridge->difference, 1e-9)
                ->and($bridge->difference)
                ->toEqualWithDelta(
                    $to->set->summary(Measure::from($field))->mean - $from->set->summary(Measure::from($field))->mean, 1e-9,
                );
        }
    }
    $there = Bridge::between($a, $b, 0.5)['carryM'];
    $back = Bridge::between($b, $a, 0.5)['carryM'];
    foreach ($there->lines as $i => $line) {
        expect($back->lines[$i]['happened'])->toEqualWithDelta(-$line['happened'], 1e-9);
    }
});

it('names the one thing that was changed', function (array $to, string $cause, string $measure): void {
    $bridge = Bridge::between(evidence('A', USUAL), evidence('B', $to), 0.5)[$measure];
    $lines = $bridge->lines;
    usort($lines, fn (array $a, array $b): int => abs($b['happened']) <=> abs($a['happened']));
    expect($lines[0]['cause'])->toBe($cause)
        ->and(abs($lines[0]['happened']))->toBeGreaterThan(0.6 * abs($bridge->difference));
})->with([
    'speed' => [[47.0, 0.0, 0.0, 13.0, 0.0, 0.0, 2.0], 'club speed', 'carryM'],
    'strike' => [[45.0, 0.0, 0.0, 13.0, 0.0, -16.0, 2.0], 'strike', 'carryM'],
    'loft, by spin' => [[45.0, 0.0, 0.0, 16.5, 0.0, 0.0, 2.0], 'loft', 'spinRpm'],
    'face, by side' => [[45.0, 0.0, 0.0, 13.0, 3.0, 0.0, 2.0], 'face', 'sideM'],
    'path, by side' => [[45.0, 0.0, 4.0, 13.0, 0.0, 0.0, 2.0], 'attack and path', 'sideM'],
]);

it('calls weights weights within a head, and the head a head between two', function (): void {
    $other = ['body' => new Head(cgToeMm: 4.0, cgBackMm: 40.0)];
    $causes = fn (array $more): array => array_column(
        Bridge::between(evidence('A', USUAL), evidence('B', USUAL, $more), 0.5)['spinRpm']->lines, 'cause',
    );
    expect($causes($other))->toContain('weights')->not->toContain('head')
        ->and($causes($other + ['head' => 'Curlew L']))->toContain('head')->not->toContain('weights')
        ->and($causes(['ball' => 'another']))->toContain('ball and unexplained');
});

it('shrinks what would repeat, the less the fewer the shots, and calls noise noise', function (): void {
    $line = function (int $n): array {
        $lines = Bridge::between(evidence('A', USUAL, n: $n), evidence('B', [45.6, 0.0, 0.0, 13.0, 0.0, 0.0, 2.0], n: $n), 0.5)[
            'carryM'
        ]->lines;

        return array_values(array_filter($lines, fn (array $l): bool => $l['cause'] === 'club speed'))[0];
    };
    [$few, $many] = [$line(3), $line(30)];
    expect($few['repeats'] / $few['happened'])->toBeLessThan($many['repeats'] / $many['happened'])
        ->and($many['repeats'])->toBeLessThan($many['happened'])
        ->and($many['noise'])->toBeFalse();
    foreach (
        Bridge::between(evidence('A', USUAL, n: 3), evidence('B', [45.0, 0.0, 0.3, 13.0, 0.1, 0.0, 2.0], n: 3), 0.5)['sideM']->lines as $l
    ) {
        expect($l['cause'] !== 'attack and path' || $l['noise'])->toBeTrue();
    }
});

it('lets a loft that was turned stay expected, though a few shots did not show it', function (): void {
    // Two degrees more on a squared club, and not a sign of it in three shots: the geometry is still believed in part.
    $lines = Bridge::between(
        evidence('A', USUAL, n: 3), evidence('B', [45.0, 0.0, 0.0, 13.001, 0.0, 0.0, 2.0], ['squaredLoftDeg' => 12.5], n: 3), 1.0,
    )['spinRpm']->lines;
    $loft = array_column($lines, null, 'cause')['loft'];
    expect(abs($loft['happened']))->toBeLessThan(2.0)->and($loft['repeats'])->toBeGreaterThan(50.0);
});

it('merges path and attack into delivery where no club was seen', function (): void {
    $bridge = Bridge::between(evidence('A', USUAL, hide: CLUB), evidence('B', [46.0, 0.0, 0.0, 14.0, 0.0, 0.0, 0.0], hide: CLUB), 0.5)[
        'carryM'
    ];
    expect(array_column($bridge->lines, 'cause'))->toContain('delivery')->not->toContain('attack and path')
        ->and($bridge->clubSeen)->toBeFalse()
        ->and(array_sum(array_column($bridge->lines, 'happened')))->toEqualWithDelta($bridge->difference, 1e-9);
});

it('says of identical setups that nothing differs', function (): void {
    foreach (Bridge::between(evidence('A', USUAL), evidence('B', USUAL), 0.5) as $bridge) {
        expect($bridge->difference)->toEqualWithDelta(0.0, 1e-9);
        foreach ($bridge->lines as $l) {
            expect($l['happened'])->toEqualWithDelta(0.0, 1e-9);
        }
    }
});

it('gives a left-hander the mirrored side, and the same carry', function (): void {
    $right = Bridge::between(evidence('A', USUAL), evidence('B', [45.5, 0.5, 2.0, 13.0, 1.5, 4.0, 2.0]), 0.5);
    $left = Bridge::between(
        evidence('A', USUAL, ['hand' => Hand::Left]),
        evidence('B', [45.5, 0.5, -2.0, 13.0, -1.5, 4.0, 2.0], ['hand' => Hand::Left]), 0.5,
    );
    foreach ($right['sideM']->lines as $i => $line) {
        expect($left['sideM']->lines[$i]['happened'])->toEqualWithDelta(-$line['happened'], 1e-6)
            ->and($left['carryM']->lines[$i]['happened'])->toEqualWithDelta($right['carryM']->lines[$i]['happened'], 1e-6);
    }
});

// --- Carry-through and next move --------------------------------------------------------------------------------------

it('carries loft through when squared and face when soled, by trade practice', function (): void {
    $to = specOf('B', ['squaredLoftDeg' => 12.5, 'soledFaceOpenDeg' => 2.0]);
    $squared = CarryThrough::predict(specOf('A'), $to, 1.0);
    $soled = CarryThrough::predict(specOf('A'), $to, 0.0);
    expect($squared->loftDeg)->toEqualWithDelta(1.8, 1e-9)
        ->and($soled->loftDeg)->toEqualWithDelta(0.4, 1e-9)
        ->and($squared->faceRightDeg)->toEqualWithDelta(0.3, 1e-9)
        ->and($soled->faceRightDeg)->toEqualWithDelta(1.2, 1e-9)
        ->and(
            CarryThrough::predict(
                specOf('A', ['hand' => Hand::Left]), specOf('B', ['hand' => Hand::Left, 'soledFaceOpenDeg' => 2.0]), 0.0,
            )->faceRightDeg,
        )
        ->toEqualWithDelta(-1.2, 1e-9)
        ->and(CarryThrough::predict(specOf('A'), specOf('B', ['head' => 'other']), 0.5)->loftSdDeg)
        ->toBeGreaterThan(CarryThrough::predict(specOf('A'), specOf('B'), 0.5)->loftSdDeg);
});

it('names the setting that mends what ails the benchmark, with its interval, and none when all is well', function (): void {
    $spinny = evidence('A', [48.0, -1.0, 0.0, 18.0, 0.0, 0.0, 0.0], n: 10);
    $found = Diagnosis::of($spinny, shareOf($spinny->set));
    $settings = [
        specOf('-1.5', ['sleeve' => '-1.5', 'squaredLoftDeg' => 9.0]),
        specOf('+1.5', ['sleeve' => '+1.5', 'squaredLoftDeg' => 12.0]),
    ];
    $next = NextMove::of($spinny, $found, $settings, 1.0);
    expect($next?->candidate->sleeve)->toBe('-1.5')
        ->and($next?->effect['spinRpm']['value'])->toBeLessThan(0.0)
        ->and($next?->effect['spinRpm']['low'])->toBeLessThan($next?->effect['spinRpm']['value'])
        ->and($next?->effect['spinRpm']['high'])->toBeGreaterThan($next?->effect['spinRpm']['value'])
        ->and(NextMove::of($spinny, [], $settings, 1.0))->toBeNull()
        ->and(NextMove::of($spinny, $found, [], 1.0))->toBeNull();
});

it('turns the way that mends: less loft for too much spin and more for too little, and the face against the miss', function (): void {
    $settings = fn (Hand $hand): array => [
        specOf('-1.5', ['sleeve' => '-1.5', 'squaredLoftDeg' => 9.0, 'hand' => $hand]),
        specOf('+1.5', ['sleeve' => '+1.5', 'squaredLoftDeg' => 12.0, 'hand' => $hand]),
        specOf('open', ['sleeve' => 'open', 'soledFaceOpenDeg' => 2.0, 'hand' => $hand]),
        specOf('closed', ['sleeve' => 'closed', 'soledFaceOpenDeg' => -2.0, 'hand' => $hand]),
    ];
    $finding = fn (FindingKind $kind, array $figures = []): array => [new Finding('A', $kind, $figures)];
    $level = evidence('A', USUAL, n: 10);
    $low = NextMove::of($level, $finding(FindingKind::SpinTooLow, ['loftChangeDeg' => 1.5]), $settings(Hand::Right), 1.0);
    $high = NextMove::of($level, $finding(FindingKind::SpinTooHigh, ['loftChangeDeg' => -1.5]), $settings(Hand::Right), 1.0);
    expect([$low?->candidate->sleeve, $high?->candidate->sleeve])->toBe(['+1.5', '-1.5'])
        ->and($low?->effect['launchDeg']['value'])->toBeGreaterThan(0.5)
        ->and($high?->effect['launchDeg']['value'])->toBeLessThan(-0.5)
        ->and($low?->mends)->toBe(FindingKind::SpinTooLow);
    // A miss to the right asks a right-hander for a closed face and a left-hander for an open one; to the left the other way round.
    $cases = [[Hand::Right, 2.5, 'closed'], [Hand::Right, -2.5, 'open'], [Hand::Left, 2.5, 'open'], [Hand::Left, -2.5, 'closed']];
    foreach ($cases as [$hand, $face, $sleeve]) {
        $e = evidence('A', [45.0, 0.0, 0.0, 13.0, $face, 0.0, 2.0], ['hand' => $hand], 10);
        $next = NextMove::of($e, $finding(FindingKind::StartsThere), $settings($hand), 0.0);
        expect($next?->candidate->sleeve)->toBe($sleeve, "{$hand->value} {$face}")
            ->and($next?->effect['sideM']['value'] * $face)->toBeLessThan(0.0);
    }
    // A miss of a pace is not worth the wrench; nor is a setting that mends less than a tenth of what ails.
    $straight = evidence('A', [45.0, 0.0, 0.0, 13.0, 0.05, 0.0, 2.0], [], 10);
    expect(NextMove::of($straight, $finding(FindingKind::StartsThere), $settings(Hand::Right), 0.0))->toBeNull();
    $little = [specOf('B', ['squaredLoftDeg' => 10.6])];
    expect(NextMove::of($level, $finding(FindingKind::SpinTooLow, ['loftChangeDeg' => 1.5]), $little, 1.0))->toBeNull()
        ->and(NextMove::of($level, $finding(FindingKind::SpinTooLow, ['loftChangeDeg' => null]), $settings(Hand::Right), 1.0))
        ->toBeNull();
});
