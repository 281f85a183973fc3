<?php

declare(strict_types=1);

use MintCarry\Core\Club\ClubBuild;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Club\SwingWeight;
use MintCarry\Core\Finder\Belief;
use MintCarry\Core\Finder\PredictedDraws;
use MintCarry\Core\Finder\RackCandidates;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Impact\Impact;
use MintCarry\Core\Impact\Swing;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Record\FittingRecord;
use MintCarry\Core\Record\SetupRecord;
use MintCarry\Core\Record\ShotRecord;
use MintCarry\Core\Report\DecideReport;
use MintCarry\Core\Report\FinderReport;

// What a setup is made of beside head, sleeve and weights, and what the finder makes of it: shafts, lengths and balls where they
// were hit, swing weight, and how far the player squares the face.

/** @param  array<string, mixed>  $more */
function clubWith(string $tag, array $more = []): SetupSpec
{
    return new SetupSpec(
        ...$more + [
            'tag' => $tag, 'head' => 'Curlew L', 'body' => new Head, 'squaredLoftDeg' => 10.5, 'soledLoftDeg' => 10.5,
            'soledFaceOpenDeg' => 0.0, 'shaft' => 'Reedline 55 R', 'lengthMm' => 1143.0,
        ],
    );
}
/**
 * Shots that the model itself gives for these nine values, every one the same.
 *
 * @param  array<int, float>  $at
 * @return list<LaunchShot>
 */
function ballsOf(SetupSpec $spec, array $at, int $n): array
{
    $ball = Swing::of($at)->ball(new Impact($spec->body));

    return array_map(
        fn (int $i): LaunchShot => LaunchShot::of(
            ['clubSpeedMps' => $at[0], 'attackDeg' => $at[1], 'pathDeg' => $at[2], 'strikeToeMm' => $at[5], 'strikeHighMm' => $at[6]] +
                $ball,
            new BallFlight,
        ),
        range(1, $n),
    );
}

it('takes what nobody said of a build, and what is as good as the same, from the usual one', function (): void {
    $usual = ClubBuild::usual(new ClubBuild('', 1143.0, 'Mallow Four'), [
        new ClubBuild('Reedline 55 R', 1120.0), new ClubBuild('Saltmarsh 65 X', teeMm: 45.0),
    ]);
    expect($usual)->toEqual(new ClubBuild('Reedline 55 R', 1143.0, 'Mallow Four', 45.0))
        ->and((new ClubBuild('', 1146.0, '', 42.0))->by($usual)->key())->toBe($usual->key())
        ->and((new ClubBuild('', 1120.0))->by($usual)->beside($usual))->toBe(['lengthMm' => 1120.0])
        ->and((new ClubBuild('Saltmarsh 65 X', ball: 'Slate'))->by($usual)->beside($usual))
        ->toBe(['shaft' => 'Saltmarsh 65 X', 'ball' => 'Slate'])
        ->and((new ClubBuild(cue: 'tee it high'))->by($usual)->beside($usual))->toBe(['cue' => 'tee it high'])
        // A cue of the own club is not passed on: without one is another way to hit.
        ->and((new ClubBuild)->by(new ClubBuild(cue: 'tee it high'))->cue)->toBe('');
});

it('weighs two grams at the head as about 1.2 points of swing weight', function (): void {
    // Common practice, no source: 2 g at the head are about one point; from the moment 1.2 (docs/physics.md).
    $light = clubWith('A');
    $heavy = clubWith('B', ['body' => new Head(massG: $light->body->massG + 2)]);
    $exact = SwingWeight::of(204, 1143, 60, 560, 50)->points() - SwingWeight::of(202, 1143, 60, 560, 50)->points();
    expect($heavy->heavierBy($light))->toEqualWithDelta($exact, 1e-9)->toEqualWithDelta(1.2, 0.05)
        ->and($light->heavierBy($heavy))->toEqualWithDelta(-$exact, 1e-9)
        // What the balance read goes before what the heads weigh.
        ->and(clubWith('B', ['swingWeightPoints' => 34.0])->heavierBy(clubWith('A', ['swingWeightPoints' => 31.5])))->toBe(2.5);
});

it('expects a heavier head to be struck nearer the heel and swung slower, and learns how much', function (): void {
    $own = clubWith('A');
    $heavy = clubWith('B', ['body' => new Head(massG: 212.0)]);
    $points = $heavy->heavierBy($own);
    $prior = Belief::prior($own, 44.0, [], [$own, $heavy], 0.5);
    $at = fn (Belief $b, SetupSpec $of): array => Belief::apply($b->rows($of), $b->mean);
    expect($at($prior, $heavy)[5] - $at($prior, $own)[5])->toEqualWithDelta(-0.3 * $points, 1e-9)
        ->and($at($prior, $heavy)[0] - $at($prior, $own)[0])->toEqualWithDelta(-0.045 * $points, 1e-9);
    $swing = [44.0, 0.0, 0.0, 13.0, 0.0, 0.0, 0.0, 0.0, 0.0];
    $moved = [43.7, 0.0, 0.0, 13.0, 0.0, -7.0, 0.0, 0.0, 0.0];
    $after = $prior->after([
        ['spec' => $own, 'shots' => ballsOf($own, $swing, 12), 'order' => 0.0],
        ['spec' => $heavy, 'shots' => ballsOf($heavy, $moved, 12), 'order' => 0.0],
    ]);
    expect($after->factor('toeMmPerPoint')['mean'])->toBeLessThan(-0.5)
        ->and($after->factor('toeMmPerPoint')['sd'])->toBeLessThan($prior->factor('toeMmPerPoint')['sd']);
});

it('takes loft that comes through as a sign of a squared face, and then expects less of the face to come through', function (): void {
    $own = clubWith('A');
    $up = clubWith('B', ['squaredLoftDeg' => 13.5, 'soledFaceOpenDeg' => -4.0]);
    $prior = Belief::prior($own, 44.0, [], [$own, $up], 0.5);
    $hit = fn (float $loft, float $face): Belief => $prior->after([
        ['spec' => $own, 'shots' => ballsOf($own, [44.0, 0.0, 0.0, 13.0, 0.0, 0.0, 0.0, 0.0, 0.0], 10), 'order' => 0.0],
        ['spec' => $up, 'shots' => ballsOf($up, [44.0, 0.0, 0.0, 13.0 + $loft, $face, 0.0, 0.0, 0.0, 0.0], 10), 'order' => 0.0],
    ]);
    [$squaringShare, $lets] = [$hit(2.8, -0.2), $hit(0.4, -2.6)];
    expect($squaringShare->factor('squaring')['mean'])->toBeGreaterThan(0.55)
        ->and($lets->factor('squaring')['mean'])->toBeLessThan(0.45)
        ->and($squaringShare->factor('loftCarryThrough')['mean'])->toBeGreaterThan($lets->factor('loftCarryThrough')['mean'])
        ->and($squaringShare->factor('faceCarryThrough')['mean'])->toBeLessThan($lets->factor('faceCarryThrough')['mean'])
        ->and($squaringShare->factor('squaring')['sd'])->toBeLessThan($prior->factor('squaring')['sd']);
    // Before any shot the widths are those of docs/judging.md.
    expect($prior->factor('loftCarryThrough'))->toEqualWithDelta(['mean' => 0.55, 'sd' => 0.33], 1e-9)
        ->and($prior->factor('faceCarryThrough'))->toEqualWithDelta(['mean' => 0.375, 'sd' => 0.45], 1e-9)
        ->and(Belief::prior($own, 44.0, [], [$own], 0.8)->factor('squaring'))->toEqualWithDelta(['mean' => 0.8, 'sd' => 0.25], 1e-9);
});

it('lays what another shaft does to that shaft, not to the head it was hit with', function (): void {
    $own = clubWith('A');
    $stiff = clubWith('B', ['shaft' => 'Saltmarsh 65 X']);
    $turned = clubWith('untried', ['squaredLoftDeg' => 11.5]);
    $both = clubWith('untried, stiff', ['squaredLoftDeg' => 11.5, 'shaft' => 'Saltmarsh 65 X']);
    $tested = [
        ['spec' => $own, 'shots' => ballsOf($own, [44.0, 0.0, 0.0, 13.0, 0.0, 0.0, 0.0, 0.0, 0.0], 12), 'order' => 0.0],
        ['spec' => $stiff, 'shots' => ballsOf($stiff, [45.2, 0.0, 0.0, 12.2, 0.0, 0.0, 0.0, 0.0, 0.0], 12), 'order' => 0.0],
    ];
    $prior = Belief::prior($own, 44.0, [], array_column($tested, 'spec'), 0.5);
    $belief = $prior->after($tested);
    $draws = PredictedDraws::of($prior, $belief, [$stiff, $turned, $both], new BallFlight);
    $carry = function (string $tag) use ($draws): float {
        $carries = $draws->figures[$draws->index($tag)][0];

        return array_sum($carries) / count($carries);
    };
    expect($carry('B') - $carry('A'))->toBeGreaterThan(1.5)
        ->and($carry('untried, stiff') - $carry('untried'))->toBeGreaterThan(0.6 * ($carry('B') - $carry('A')))
        ->and($belief->effects(array_values($belief->builds)[0])['speedMps']['mean'])->toBeGreaterThan(0.5);
});

it('offers the rack with every shaft that was hit, and the own head without a purchase as it is built', function (): void {
    $plain = caseOf(['A' => [64.0, 12.0, 0.5, 6], 'B' => [64.5, 11.5, 0.0, 5]]);
    $many = count(RackCandidates::by($plain)->specs);
    $setups = [
        'A' => new SetupRecord(...['shaft' => 'Reedline 55 R'] + get_object_vars($plain->setups['A'])),
        'B' => new SetupRecord(...['shaft' => 'Saltmarsh 65 X'] + get_object_vars($plain->setups['B'])), 'C' => $plain->setups['C'],
    ];
    $record = new FittingRecord(...['setups' => $setups] + get_object_vars($plain));
    $candidates = RackCandidates::by($record);
    expect(count($candidates->specs))->toBe(2 * $many)
        // B was hit with the other shaft; the same head at the same position with the usual one is another setup.
        ->and($candidates->about['B']->with)->toBe(['shaft' => 'Saltmarsh 65 X'])
        ->and($candidates->about['B']->like)->toBe('B')
        ->and($candidates->about['A']->with)->toBe([])
        ->and(count(array_unique(array_column($candidates->specs, 'tag'))))->toBe(2 * $many)
        ->and(array_values(array_unique(array_column(RackCandidates::by($record, 'own')->about, 'like'))))->toBe(['A']);
    $found = FinderReport::of($record);
    expect($found['count'])->toBe(2 * $many)
        ->and($found['ownEffects'])->toHaveCount(1)
        ->and((array) $found['ownEffects'][0]['with'])->toBe(['shaft' => 'Saltmarsh 65 X'])
        ->and(array_keys($found['ownEffects'][0]['effects']))->toBe(['speedMps', 'loftDeg', 'faceDeg', 'toeMm', 'highMm', 'spin']);
    // Without counted shots a shaft is no more than an idea.
    $aside = new FittingRecord(
        ...[
            'shots' => [
                'B' => array_map(
                    fn (ShotRecord $s): ShotRecord => new ShotRecord($s->shot, $s->sequence, 'mishit'), $record->shots['B'],
                ),
            ] + $record->shots,
        ] + get_object_vars($record),
    );
    expect(RackCandidates::by($aside)->specs)->toHaveCount($many);
});

it('does not count another shaft as turning and weighting the own head', function (): void {
    $plain = caseOf(['A' => [62.0, 12.0, 0.5, 8], 'B' => [66.0, 12.0, 0.0, 8], 'C' => [66.5, 12.5, 0.0, 8]]);
    $shaft = fn (string $tag, string $shaft): SetupRecord => new SetupRecord(
        ...['shaft' => $shaft] + get_object_vars($plain->setups[$tag]),
    );
    $record = new FittingRecord(
        ...[
            'setups' => [
                'A' => $shaft('A', 'Reedline 55 R'), 'B' => $shaft('B', 'Saltmarsh 65 X'), 'C' => $shaft('C', 'Reedline 55 R'),
            ],
        ] + get_object_vars($plain),
    );
    $worth = DecideReport::of(
        new FittingRecord(...['setups' => array_diff_key($record->setups, ['B' => 0])] + get_object_vars($record)),
    )['worth'];
    expect(DecideReport::of($record)['worth'] ?? $worth)->not->toBeNull()
        ->and(DecideReport::of($record)['worth']['adjusted']['tag'] ?? 'A')->not->toBe('B');
});

it('tells what the next trial could change', function (): void {
    $found = FinderReport::of(caseOf(['A' => [64.0, 12.0, 0.5, 6]]));
    $next = $found['next'];
    expect($next['turns'])->toBeGreaterThanOrEqual(0.0)->toBeLessThanOrEqual(1.0)
        ->and($next['value'])->toBeGreaterThan(0.0)
        ->and($next['to'] === null)->toBe($next['turns'] === 0.0)
        ->and($next['to'])->not->toBe($found['best']);
    $sure = FinderReport::of(caseOf(['A' => [64.0, 12.0, 0.5, 40], 'B' => [64.0, 12.0, 0.5, 40], 'C' => [64.0, 12.0, 0.5, 40]]));
    expect($sure['expectedLoss'])->toBeLessThan($found['expectedLoss']);
});

it('offers what is in the studio or can be ordered, where that is asked', function (): void {
    $record = caseOf(['A' => [64.0, 12.0, 0.5, 6]]);
    [$own, $new] = $record->rack;
    $rack = fn (array $supply): FittingRecord => new FittingRecord(
        ...[
            'rack' => [
                $own,
                new MintCarry\Core\Club\RackedHead(
                    ...['supply' => $supply] + array_diff_key(get_object_vars($new), ['body' => 0, 'gauged' => 0]),
                ),
            ],
        ] + get_object_vars($record),
    );
    $heads = fn (FittingRecord $r, string $only): array => array_values(
        array_unique(array_column(RackCandidates::by($r, $only)->specs, 'head')),
    );
    expect($heads($rack(['inStock' => false, 'leadDays' => 9]), 'order'))->toBe(['Own head', 'New head'])
        ->and($heads($rack(['inStock' => false]), 'order'))->toBe(['Own head'])
        ->and($heads($rack(['inStock' => false, 'leadDays' => 9]), 'stock'))->toBe(['Own head'])
        ->and($heads($rack(['inStock' => false]), 'all'))->toBe(['Own head', 'New head']);
});
