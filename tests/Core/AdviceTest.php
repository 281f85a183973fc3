<?php

declare(strict_types=1);

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Fitting\Advice;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\Comparison;
use MintCarry\Core\Fitting\Corridor;
use MintCarry\Core\Fitting\CorridorShare;
use MintCarry\Core\Fitting\ExpectedStrokes;
use MintCarry\Core\Fitting\LaunchSpinField;
use MintCarry\Core\Fitting\LoftTrade;
use MintCarry\Core\Fitting\ShotSet;
use MintCarry\Core\Fitting\SideEstimate;
use MintCarry\Core\Fitting\Trouble;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Impact\PlayerModel;
use MintCarry\Core\Impact\ShotMaker;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Statistics\Normal;
use Random\Engine\Mt19937;
use Random\Randomizer;

function seeded(int $seed = 1): Randomizer
{
    return new Randomizer(new Mt19937($seed));
}

/** Shots of one setup with given carries and sides, by measured values alone. @param  list<float>  $sides */
function landed(string $tag, array $sides, float $carry = 205): ShotSet
{
    return new ShotSet(
        $tag,
        array_map(
            fn (float $side): LaunchShot => LaunchShot::of(
                [
                    'ballSpeedMps' => 66.0, 'launchDeg' => 12.5, 'spinRpm' => 2500.0, 'carryM' => $carry + fmod($side, 3),
                    'totalM' => $carry + 22, 'sideM' => $side,
                ],
                new BallFlight,
            ),
            $sides,
        ),
    );
}

function played(string $tag, PlayerModel $player, int $count, int $seed, Hand $hand = Hand::Right): ShotSet
{
    $maker = new ShotMaker(Head::preset('middle'), $hand, seeded($seed));

    return new ShotSet($tag, array_map(function () use ($maker, $player): LaunchShot {
        $l = $maker->hit($player)['launch'];

        return LaunchShot::of(
            [
                'ballSpeedMps' => $l->ballSpeedMps, 'launchDeg' => $l->launchDeg, 'spinRpm' => $l->spinRpm,
                'directionDeg' => $l->directionDeg, 'spinAxisDeg' => $l->spinAxisDeg,
            ],
            new BallFlight,
        );
    }, range(1, $count)),
    );
}

// Source: Broadie, "Every Shot Counts" (2014), from memory: the table's own points.
it('has the strokes of the benchmark table at its points', function (string $lie, float $yards, float $strokes): void {
    expect(ExpectedStrokes::tour()->from($lie, $yards * 0.9144))->toEqualWithDelta($strokes, 1e-9);
})->with([
    ['fairway', 100, 2.80],
    ['fairway', 180, 3.08],
    ['rough', 140, 3.15],
    ['recovery', 200, 3.87],
    ['tee', 400, 3.99],
    ['fairway', 600, 4.94],
]);

it('costs more from farther and from worse, at every level', function (float $handicap): void {
    $strokes = ExpectedStrokes::forHandicap($handicap);
    for ($m = 100.0; $m < 520; $m += 7) {
        expect($strokes->from('fairway', $m + 7))->toBeGreaterThanOrEqual($strokes->from('fairway', $m))
            ->and($strokes->from('rough', $m))->toBeGreaterThan($strokes->from('fairway', $m));
        foreach (['trees', 'water', 'out of bounds'] as $kind) {
            expect($strokes->afterTrouble(new Trouble($kind), $m, $m + 200))->toBeGreaterThan(
                $strokes->afterTrouble(new Trouble('rough'), $m, $m + 200),
            );
        }
    }
})->with([0, 5, 18, 36, 54]);

it('costs more for who plays less well', function (): void {
    foreach ([90, 150, 220, 400] as $m) {
        foreach (['tee', 'fairway', 'rough', 'recovery'] as $lie) {
            $before = ExpectedStrokes::tour()->from($lie, $m);
            foreach ([4, 12, 24, 40] as $handicap) {
                $now = ExpectedStrokes::forHandicap($handicap)->from($lie, $m);
                expect($now)->toBeGreaterThan($before);
                $before = $now;
            }
        }
    }
});

// Source: Broadie, "Every Shot Counts" (2014), from memory: strokes a round that 20 more yards off the tee are worth, by level of
// play (scores 80, 90, 100, 115 taken as handicaps 7, 16, 24, 36). Fourteen driving holes, some 120 yards left.
it('prices twenty yards as published for each level', function (float $handicap, float $strokesARound): void {
    $level = ExpectedStrokes::forHandicap($handicap);
    $worth = 14 * ($level->from('fairway', 130 * 0.9144) - $level->from('fairway', 110 * 0.9144));
    expect($worth)->toEqualWithDelta($strokesARound, 0.25 * $strokesARound);
})->with([[0, 0.75], [7, 1.3], [16, 1.6], [24, 2.3], [36, 2.7]]);

it('takes a middling level when nobody said one, and refuses one that is none', function (): void {
    expect(ExpectedStrokes::forHandicap(null)->handicap)->toBe(ExpectedStrokes::USUAL_HANDICAP)
        ->and(ExpectedStrokes::forHandicap(-3)->from('fairway', 140))->toBe(ExpectedStrokes::tour()->from('fairway', 140))
        ->and(fn () => ExpectedStrokes::forHandicap(80))->toThrow(InvalidInput::class, 'handicap')
        ->and(fn () => ExpectedStrokes::tour()->from('bunker', 140))->toThrow(InvalidInput::class, 'not a lie');
});

it('never says 100 % from four of four', function (): void {
    $set = landed('A', [1.0, -3.0, 4.0, 0.5]);
    $share = CorridorShare::of(SideEstimate::of($set, SideEstimate::pooledSpread([$set])), new Corridor(30), seeded());
    expect($share->share)->toBeGreaterThan(0.4)->toBeLessThan(0.9)
        ->and($share->interval->high)->toBeLessThan(1.0)
        ->and($share->interval->low)->toBeLessThan(0.6);
});

it('has intervals of the share that hold the truth', function (): void {
    // Own simulation: players whose true mean and spread are known; 95 % intervals must hold the true share in 90 to 100 % of them.
    $random = seeded(99);
    $corridor = new Corridor(32);
    $inside = 0;
    for ($i = 0; $i < 250; $i++) {
        [$mean, $sd] = [12 * Normal::draw($random), 16 * exp(0.2 * Normal::draw($random))];
        $set = landed('A', array_map(fn (): float => $mean + $sd * Normal::draw($random), range(1, 6)));
        $share = CorridorShare::of(SideEstimate::of($set, SideEstimate::pooledSpread([$set])), $corridor, $random, 200);
        $inside += $share->interval->contains(Normal::cdf((16 - $mean) / $sd) - Normal::cdf((-16 - $mean) / $sd)) ? 1 : 0;
    }
    expect($inside / 250)->toBeGreaterThan(0.9);
});

it('keeps the own club when the others are no better, and says it is a tie', function (): void {
    $advice = Advice::of(
        [played('A', new PlayerModel, 8, 1), played('B', new PlayerModel, 5, 2)], 'A', new Brief, new BallFlight,
    );
    expect($advice->pick)->toBe('A')
        ->and($advice->isConclusive)->toBeFalse()
        ->and($advice->ties)->toBe(['B']);
});

it('picks a setup that is plainly better, and says that the shots carry it', function (): void {
    $advice = Advice::of(
        [landed('A', [42, 55, 38, 60, 47, 52, 44, 58, 50, 49], 190), landed('B', [2, -6, 5, -3, 1, 4, -8, 0, 3, -1], 205)], 'A',
        new Brief(corridor: new Corridor(30, right: new Trouble('water'))), new BallFlight,
    );
    expect($advice->pick)->toBe('B')
        ->and($advice->isConclusive)->toBeTrue()
        ->and($advice->judgement('B')->chanceBetter)->toBeGreaterThan(0.95)
        ->and($advice->judgement('B')->strokes)->toBeLessThan(-0.2)
        ->and($advice->judgement('B')->strokesInterval->high)->toBeLessThan(0)
        ->and($advice->expectedLoss)->toBeLessThan(0.02);
});

it('prices water on one side: the same spread is worth more away from it', function (): void {
    $sets = [landed('A', [-16, -9, -22, -13, -18, -11]), landed('B', [16, 9, 22, 13, 18, 11])];
    $advice = Advice::of($sets, 'A', new Brief(corridor: new Corridor(30, new Trouble('water', 22))), new BallFlight);
    expect($advice->judgement('B')->aimFixedStrokes)->toBeLessThan(-0.2);
});

it('gives a left-handed twin the mirrored advice', function (): void {
    $mirror = fn (ShotSet $set): ShotSet => new ShotSet($set->tag, array_map(function (LaunchShot $s): LaunchShot {
        $m = $s->measured;
        foreach (['directionDeg', 'spinAxisDeg', 'sideM'] as $f) {
            if (isset($m[$f])) {
                $m[$f] = -$m[$f];
            }
        }

        return LaunchShot::of($m, new BallFlight);
    }, $set->shots));
    $sets = [played('A', new PlayerModel(faceDeg: 2.5), 9, 4), played('B', new PlayerModel(faceDeg: -0.5), 9, 5)];
    $right = Advice::of($sets, 'A', new Brief(corridor: new Corridor(30, right: new Trouble('water'))), new BallFlight);
    $left = Advice::of(
        array_map($mirror, $sets), 'A', new Brief(corridor: new Corridor(30, new Trouble('water'))), new BallFlight,
    );
    expect($left->pick)->toBe($right->pick)
        ->and($left->judgement('B')->strokes)->toEqualWithDelta($right->judgement('B')->strokes, 0.03)
        ->and($left->judgement('B')->aimDeg)->toEqualWithDelta(-$right->judgement('B')->aimDeg, 0.6);
});

it('picks by the scoring of the brief', function (): void {
    // A is short and straight, B long and wild: which one is better depends on what is asked.
    $sets = [landed('A', [1, -2, 3, -1, 2, 0, -3, 1, 2, -2], 190), landed('B', [25, -30, 18, -24, 33, -28, 22, -19, 27, -35], 225)];
    $under = fn (Brief $brief): Advice => Advice::of($sets, 'A', $brief, new BallFlight);
    expect($under(new Brief(scoring: 'longest'))->pick)->toBe('B')
        ->and($under(new Brief(scoring: 'running'))->pick)->toBe('B')
        ->and($under(new Brief(scoring: 'straightest'))->pick)->toBe('A')
        ->and($under(new Brief(scoring: 'own weights', weights: ['carry' => 1.0]))->pick)->toBe('B')
        ->and($under(new Brief(scoring: 'own weights', weights: ['fairways' => 1.0]))->pick)->toBe('A');
    $longest = $under(new Brief(scoring: 'longest'))->judgement('B');
    expect($longest->gain)->toEqualWithDelta(35, 4)
        ->and($longest->gainInterval->contains(35))->toBeTrue();
});

it('holds the aim where the brief says so', function (): void {
    $sets = [landed('A', [2, -6, 5, -3, 1, 4]), landed('B', [18, 10, 22, 13, 16, 20])];
    $free = Advice::of($sets, 'A', new Brief, new BallFlight);
    $held = Advice::of($sets, 'A', new Brief(aimFree: false), new BallFlight);
    expect($held->judgement('B')->aimDeg)->toBe(0.0)
        ->and($free->judgement('B')->aimDeg)->toBeLessThan(-1)
        ->and($held->judgement('B')->strokes)->toBeGreaterThan($free->judgement('B')->strokes + 0.05);
});

it('prices each side by what waits there', function (): void {
    $right = [landed('A', [-12, -9, -20, -13, -16, -11]), landed('B', [12, 9, 20, 13, 16, 11])];
    $gain = fn (Trouble $left, Trouble $on): float => Advice::of(
        $right, 'A', new Brief(corridor: new Corridor(30, $left, $on), aimFree: false), new BallFlight,
    )->judgement('B')->strokes;
    expect($gain(new Trouble('trees', 18), new Trouble('out of bounds', 18)))->toBeGreaterThan(0.05)
        ->and($gain(new Trouble('out of bounds', 18), new Trouble('trees', 18)))->toBeLessThan(-0.05)
        ->and(abs($gain(new Trouble('water', 18), new Trouble('water', 18))))->toBeLessThan(0.05);
});

it('says what is missing', function (): void {
    $one = landed('A', [1.0]);
    expect(fn () => Advice::of([], 'A', new Brief, new BallFlight))->toThrow(InvalidInput::class, 'No setup has a counted shot')
        ->and(fn () => Advice::of([$one], 'B', new Brief, new BallFlight))->toThrow(InvalidInput::class, 'benchmark B')
        ->and(Advice::of([$one], 'A', new Brief, new BallFlight)->pick)->toBe('A')
        ->and(fn () => new Corridor(2))->toThrow(InvalidInput::class)
        ->and(fn () => new Trouble('dragon'))->toThrow(InvalidInput::class);
});

it('leaves side unknown where it was not measured', function (): void {
    $set = new ShotSet('A', [LaunchShot::of(['ballSpeedMps' => 66.0, 'launchDeg' => 12.0, 'spinRpm' => 2400.0], new BallFlight)]);
    expect($set->values(Measure::Side))->toBe([])
        ->and(SideEstimate::of($set, 16)->n)->toBe(0)
        ->and($set->ellipse())->toBeNull();
});

it('prices launch and spin by delivered loft: a low launch wants more of it, and the optimum nothing', function (): void {
    $low = LoftTrade::of(new Launch(64, 8, 1900), new BallFlight, 43.5, 0);
    expect($low->costM)->toBeGreaterThan(5)->and($low->loftChangeDeg)->toBeGreaterThan(2);
    // Source: docs/physics.md, longest carry at 100 mph, attack 0: 12.5° and 2420 rpm.
    $best = LoftTrade::of(new Launch(66.2, 12.5, 2420), new BallFlight, 44.7, 0);
    expect($best->costM)->toBeLessThan(0.8)
        ->and(abs($best->bestLaunchDeg - 12.5))->toBeLessThan(1.5);
});

it('compares with the benchmark, measure by measure', function (): void {
    $c = Comparison::of([landed('A', [1, 4, -2]), landed('B', [9, 12, 8], 212)], 'A');
    $carry = array_values(array_filter($c->rows, fn (array $r): bool => $r['measure'] === Measure::Carry))[0];
    expect($carry['cells']['A']['difference'])->toBeNull()
        ->and($carry['cells']['B']['difference']->value)->toBeGreaterThan(5)
        ->and($carry['cells']['A']['computed'])->toBe(0)
        ->and(array_filter($c->rows, fn (array $r): bool => $r['measure'] === Measure::Attack))->toBe([]);
});

it('draws a field that the flight itself would draw', function (): void {
    $field = LaunchSpinField::of(66, new BallFlight, [8, 16], [2000, 3000], 3);
    expect($field->carryM)->toHaveCount(9)
        ->and($field->carryM[4])->toEqualWithDelta((new BallFlight)->fly(new Launch(66, 12, 2500))->carryM, 1e-9)
        ->and(LaunchSpinField::around([], new BallFlight))->toBeNull();
});
