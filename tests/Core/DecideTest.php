<?php

declare(strict_types=1);

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Finder\Finder;
use MintCarry\Core\Finder\RackCandidates;
use MintCarry\Core\Finder\ScoredDraws;
use MintCarry\Core\Finder\Search;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\Corridor;
use MintCarry\Core\Fitting\Pick;
use MintCarry\Core\Fitting\Scoring;
use MintCarry\Core\Fitting\ShotSet;
use MintCarry\Core\Fitting\Strokes;
use MintCarry\Core\Fitting\TieBreak;
use MintCarry\Core\Fitting\Trouble;
use MintCarry\Core\Fitting\Wanted;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Judging\Confirm;
use MintCarry\Core\Judging\ConfirmVerdict;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Record\FittingRecord;
use MintCarry\Core\Record\ShotRecord;
use MintCarry\Core\Report\AdviceReport;
use MintCarry\Core\Report\DecideReport;
use MintCarry\Core\Report\FinderReport;
use MintCarry\Core\Report\WorthVerdict;
use MintCarry\Core\Statistics\Matrix;
use MintCarry\Core\Statistics\Normal;

// What a decision rests on: who is picked and when the own club stays, ties, the confirm run, other schools and other days, and
// what a purchase is worth.

it('solves a system as its inverse does', function (): void {
    $a = [[4.0, 1.0, 0.5], [1.0, 3.0, 0.2], [0.5, 0.2, 2.0]];
    expect(Matrix::solve($a, [1.0, 2.0, 3.0]))->toEqualWithDelta(Matrix::times(Matrix::inverse($a), [1.0, 2.0, 3.0]), 1e-12);
});

it('turns a probability into the z of handbook tables', function (float $p, float $z): void {
    expect(Normal::quantile($p))->toEqualWithDelta($z, 2e-5)->and(Normal::cdf(Normal::quantile($p)))->toEqualWithDelta($p, 1e-6);
})->with([[0.5, 0.0], [0.975, 1.959964], [0.9, 1.281552], [0.01, -2.326348]]); // Abramowitz & Stegun table 26.5, from memory

it('tells what has fewer draws against the own club in the same draws', function (): void {
    // The first two draws were unlucky for all; over all four the own club is at 4.0.
    $pick = Pick::among([[4.4, 4.2, 3.8, 3.6], [4.3, 4.1]], 0, Scoring::FewestStrokes);
    expect($pick->means[0])->toEqualWithDelta(4.0, 1e-9)
        ->and($pick->means[1])->toEqualWithDelta(3.9, 1e-9)
        ->and($pick->gain(1, 0))->toEqualWithDelta(0.1, 1e-9)
        ->and($pick->gainInterval(1, 0)->low)->toEqualWithDelta(0.1, 1e-9)
        ->and($pick->chance(1, 0))->toBeGreaterThan(0.99)
        ->and($pick->losses[1])->toEqualWithDelta(0.0, 1e-9);
});

it('counts what a clairvoyant would gain, by hand', function (): void {
    // The least of each draw: 1, 2, 2; mean 5/3. Means: 2, 8/3.
    $pick = Pick::among([[1.0, 2.0, 3.0], [3.0, 3.0, 2.0]], 0, Scoring::Longest);
    expect($pick->losses[0])->toEqualWithDelta(2 - 5 / 3, 1e-12)
        ->and($pick->losses[1])->toEqualWithDelta(8 / 3 - 5 / 3, 1e-12)
        ->and($pick->gain(1, 0))->toEqualWithDelta(2 - 8 / 3, 1e-12)
        ->and($pick->chance(1, 0))->toEqualWithDelta(1 / 3, 1e-12)
        ->and($pick->chance(0, 0))->toBe(0.5)
        ->and($pick->order())->toBe([0, 1])
        ->and($pick->isTied(0, 0))->toBeFalse();
});

it('breaks a tie in the fitter’s order, and passes over what is not known of all', function (): void {
    $of = [
        'A' => ['confidence' => 3.0, 'apex' => 5.0, 'price' => 0.0], 'B' => ['confidence' => 4.5, 'apex' => 1.0, 'price' => 400.0],
        'C' => ['confidence' => 4.2, 'apex' => 4.5, 'price' => 300.0],
    ];
    $broken = TieBreak::among($of, ['confidence', 'apex', 'start side', 'price']);
    // C is within half a star of B; then B is 3.5 m nearer to the wanted apex.
    expect($broken->choice)->toBe('B')->and($broken->by)->toBe('apex')
        ->and(array_column($broken->steps, 'criterion'))->toBe(['confidence', 'apex'])
        ->and($broken->steps[0]['remaining'])->toBe(['B', 'C']);
    expect(TieBreak::among($of, ['price', 'confidence'])->choice)->toBe('A');
    $unknown = TieBreak::among(
        ['A' => ['confidence' => null, 'price' => 0.0], 'B' => ['confidence' => 5.0, 'price' => 0.0]], ['confidence', 'price'],
    );
    expect($unknown->choice)->toBeNull()
        ->and($unknown->remaining)->toBe(['A', 'B'])
        ->and($unknown->steps[0]['known'])->toBeFalse();
    expect(fn () => TieBreak::among($of, ['luck']))->toThrow(InvalidInput::class, "'luck' does not break a tie")
        ->and(fn () => TieBreak::among($of, ['price', 'price']))->toThrow(InvalidInput::class, 'once');
});

/** @return ShotSet legs of a confirm run */
function leg(float $mps, float $direction = 0.0, int $n = 5): ShotSet
{
    return new ShotSet('', array_map(fn (int $i): LaunchShot => ballShot($i, $mps, 12.5, $direction), range(1, $n)));
}

it('confirms, overturns or leaves open by the rule, and says nothing when the player drifted', function (
    array $legs, float $chance, string $word,
): void {
    expect(Confirm::of($legs, 5, $chance, Wanted::of(new Brief(scoring: Scoring::FewestStrokes->value)))->verdict->value)->toBe($word);
})->with([
    'no leg' => [fn () => [], 0.9, 'running'],
    'a leg that is short' => [fn () => [leg(66), leg(66), leg(66, 0, 4)], 0.9, 'running'],
    'likely still' => [fn () => [leg(66), leg(66), leg(66)], 0.85, 'confirmed'],
    'not likely enough' => [fn () => [leg(66), leg(66), leg(66)], 0.7, 'open'],
    'turned by its shots' => [fn () => [leg(66), leg(66), leg(66)], 0.4, 'overturned'],
    'the run alone is clearly shorter' => [fn () => [leg(68), leg(58), leg(68)], 0.9, 'overturned'],
    'slower at the end' => [fn () => [leg(69), leg(66), leg(64)], 0.9, 'drifted'],
    'aimed elsewhere at the end' => [fn () => [leg(66, -8), leg(66), leg(66, 8)], 0.9, 'drifted'],
]);

it('counts a leg by as many shots as the run asks for', function (): void {
    expect(Confirm::of([leg(66, n: 3), leg(66, n: 3), leg(66, n: 3)], 3, 0.9, Wanted::of(new Brief(scoring: Scoring::Longest->value)))->verdict)->toBe(ConfirmVerdict::Confirmed)
        ->and(Confirm::of([leg(66, n: 3), leg(66, n: 3), leg(66, n: 3)], 4, 0.9, Wanted::of(new Brief(scoring: Scoring::Longest->value)))->verdict)->toBe(ConfirmVerdict::Running);
});

it('prices a drive at once as it does in parts', function (float $side, float $sd, float $total): void {
    $price = new Strokes(new Brief(corridor: new Corridor(32.0, new Trouble('water', 24.0), new Trouble('trees'))));
    [$held, $free, $aim, $middle, $left, $right] = $price->drive($side, $sd, $total, true);
    expect($held)->toBe($price->aimFixed($side, $sd, $total))
        ->and([$free, $aim, $middle])->toBe($price->free($side, $sd, $total))
        ->and([$left, $right])->toBe($price->beside($side, $sd))->and($left + $right)->toBeGreaterThan(0.0)->toBeLessThan(1.0)
        ->and($free)->toBeLessThanOrEqual($held + 1e-6);
    expect($price->drive($side, $sd, $total, false))->toBe([$held, $held, 0.0, $side, $left, $right]);
})->with([[0.0, 12.0, 220.0], [30.0, 16.0, 240.0], [-9.0, 9.0, 190.0]]);

it('gives a setup the same figures in the finder, under any filter, and in the decision', function (): void {
    $record = caseOf(['A' => [64.0, 12.0, 3.0, 6], 'B' => [64.5, 12.5, 1.0, 5], 'C' => [66.0, 13.5, -1.0, 6]]);
    $gain = fn (array $setups, string $tag): float => array_values(array_filter($setups, fn (array $s): bool => $s['tag'] === $tag))[0][
        'gain'
    ];
    $all = FinderReport::of($record);
    $own = FinderReport::of($record, 'own');
    $decide = DecideReport::of($record);
    foreach (['B', 'C'] as $tag) {
        expect($gain($decide['setups'], $tag))->toEqualWithDelta($gain($all['setups'], $tag), 1e-12);
    }
    expect($gain($own['setups'], 'B'))->toEqualWithDelta($gain($all['setups'], 'B'), 1e-12)
        ->and($own['count'])->toBeLessThan($all['count'])
        ->and($decide['basis'])->toBe('models')
        ->and(AdviceReport::of($record)['setups'])->toEqual($decide['setups']);
});

it('falls back on the shots alone where a setup has no ball data', function (): void {
    $record = caseOf(['A' => [64.0, 12.0, 1.0, 5]]);
    $carries = array_map(
        fn (int $i): ShotRecord => new ShotRecord(
            LaunchShot::of(['carryM' => 210.0 + $i, 'sideM' => 2.0 * $i - 6], new BallFlight), 20 + $i,
        ),
        range(1, 5),
    );
    $mixed = new FittingRecord(...['shots' => ['C' => $carries] + $record->shots] + get_object_vars($record));
    $report = DecideReport::of($mixed);
    expect($record->isModelled())->toBeTrue()->and($mixed->isModelled())->toBeFalse()
        ->and($report['basis'])->toBe('shots')
        ->and($report['days'])->toBe([])
        ->and($report['worth'])->toBeNull()
        ->and($report['schools']['rows'])->toHaveCount(5);
});

it('names the pick of every school under every policy, and calls it unanimous only when it is', function (): void {
    // C is longer and straighter than both by far.
    $clear = DecideReport::of(
        caseOf(
            ['A' => [62.5, 9.5, 5.0, 12], 'C' => [66.0, 13.5, 0.0, 12]],
            new Brief(corridor: new Corridor(24.0, new Trouble('rough'), new Trouble('water')), aimFree: false),
        ),
    );
    expect($clear['schools']['policies'])->toHaveCount(4)
        ->and($clear['schools']['policies'][0]['name'])->toBe('flagged')
        ->and(array_column($clear['schools']['rows'], 'scoring'))
        ->toBe(['fewest strokes', 'straightest', 'longest', 'guarded height', 'running'])
        ->and(array_sum($clear['schools']['picks']))->toBe(20)
        ->and($clear['schools']['unanimous'])->toBe(count($clear['schools']['picks']) === 1);
    foreach ($clear['schools']['rows'] as $row) {
        if (in_array($row['scoring'], ['fewest strokes', 'longest'], true)) {
            expect(array_column($row['cells'], 'pick'))->toBe(['C', 'C', 'C', 'C']);
        }
    }
    $declared = array_values(array_filter($clear['schools']['rows'], fn (array $r): bool => $r['declared']));
    expect($declared)->toHaveCount(1)->and($declared[0]['cells'][0]['pick'])->toBe($clear['pick']);
});

it('asks what a purchase gains over the own club at its best setting, not as it came', function (): void {
    $record = caseOf(
        ['A' => [64.0, 11.0, 4.0, 8], 'B' => [64.0, 11.5, 2.0, 6], 'C' => [66.5, 13.0, 0.0, 8]],
        new Brief(money: 300.0, currency: 'EUR'),
    );
    $report = DecideReport::of($record);
    $worth = $report['worth'];
    $over = array_values(array_filter($report['setups'], fn (array $s): bool => $s['tag'] === $worth['tag']))[0]['gain'];
    expect($worth['tag'])->toBe('C')->and($worth['price'])->toBe(400.0)->and($worth['money'])->toBe(300.0)
        // What the own club can be adjusted to is at least as good as the own club.
        ->and($worth['adjusted']['gainOverOwn'])->toBeGreaterThanOrEqual(0.0)
        ->and($worth['gain'])->toEqualWithDelta($over - $worth['adjusted']['gainOverOwn'], 1e-9)
        ->and($worth['perRound'])->toEqualWithDelta(14 * $worth['gain'], 1e-9)
        ->and($worth['verdict'])->toBeInstanceOf(WorthVerdict::class);
    // With the own head alone there is nothing to buy.
    expect(DecideReport::of(caseOf(['A' => [64.0, 11.0, 4.0, 8], 'B' => [66.0, 13.0, 0.0, 8]]))['worth'])->toBeNull();
});

it('takes other days as physics does: shorter into the wind and when slower, longer from behind', function (): void {
    $days = collect_days(DecideReport::of(caseOf(['A' => [64.0, 12.0, 1.0, 6], 'C' => [65.0, 13.0, 0.0, 6]])));
    $calm = $days['as it is']['carryM'];
    expect($days)->toHaveCount(9)
        ->and($days['into the wind']['carryM'])->toBeLessThan($calm - 5)
        ->and($days['wind from behind']['carryM'])->toBeGreaterThan($calm + 2)
        // 3 mph of club speed are about 7 to 8 yd of carry (common practice, no source).
        ->and($calm - $days['slower by 3 mph']['carryM'])->toBeGreaterThan(5.0)->toBeLessThan(9.5)
        ->and($days['low heel miss']['carryM'])->toBeLessThan($calm - 3)
        ->and($days['soft ground']['carryM'])->toEqualWithDelta($calm, 1e-6);
});
/** @return array<string, array<string, mixed>> days by name */
function collect_days(array $report): array
{
    return array_column($report['days'], null, 'day');
}

it('gives a left-handed twin the mirrored day: wind from the left is wind from the right', function (): void {
    $hits = ['A' => [64.0, 12.0, 3.0, 6], 'C' => [66.0, 13.0, -1.0, 6]];
    $right = collect_days(DecideReport::of(caseOf($hits, new Brief(corridor: new Corridor(30.0, new Trouble('water'))))));
    $left = collect_days(
        DecideReport::of(
            caseOf($hits, new Brief(corridor: new Corridor(30.0, new Trouble('rough'), new Trouble('water'))), Hand::Left),
        ),
    );
    foreach (
        [
            'as it is' => 'as it is', 'wind from the left' => 'wind from the right', 'wind from the right' => 'wind from the left',
            'low heel miss' => 'low heel miss',
        ] as $mine => $theirs
    ) {
        expect($left[$theirs]['gain'])->toEqualWithDelta($right[$mine]['gain'], 1e-6)
            ->and($left[$theirs]['pick'])->toBe($right[$mine]['pick']);
    }
});

it('buys nothing that the own head gives by a turn, however much it is trusted', function (): void {
    $same = ['A' => [64.0, 12.0, 8.0, 10], 'B' => [64.0, 12.0, 0.0, 10], 'C' => [64.0, 12.0, 0.0, 10]];
    $held = new Brief(corridor: new Corridor(30.0), aimFree: false);
    foreach (['B' => 'C', 'C' => 'B'] as $trusted => $other) {
        $report = DecideReport::of(caseOf($same, $held, confidence: [$other => 2.0, $trusted => 4.5]));
        expect($report['pick'])->toBe('B')->and($report['ties'])->toBe(['C'])->and($report['by'])->toBe('school');
    }
});

it('does not leave the benchmark for a setup that cannot be told from it, however much it is trusted', function (): void {
    $report = DecideReport::of(
        caseOf(['A' => [64.0, 12.0, 1.0, 6], 'B' => [64.0, 12.0, 1.0, 6]], confidence: ['A' => 2.0, 'B' => 4.5]),
    );
    expect($report['pick'])->toBe('A')->and($report['ties'])->toBe(['B'])->and($report['tieBreak'])->toBeNull();
});

it('offers each head of the hand at each position with arrangements of about the same mass, the standard one first', function (): void {
    $record = caseOf(['A' => [64.0, 12.0, 1.0, 5]]);
    $candidates = RackCandidates::by($record);
    $arrangements = count(twoHeads()[0]->arrangements());
    expect(count($candidates->specs))->toBe(2 * 3 * $arrangements)
        ->and(array_sum(twoHeads()[0]->arrangements()[0]))->toBe(14.0);
    foreach ($candidates->about as $about) {
        expect(abs(array_sum($about->parts->masses) - 14.0))->toBeLessThanOrEqual(4.0);
    }
    expect($candidates->about['A']->setupTag)->toBe('A')->and($candidates->about['C']->price)->toBe(400.0);
    // The other hand's heads are no offer.
    $left = new FittingRecord(...['rack' => twoHeads(Hand::Left)] + get_object_vars($record));
    expect(RackCandidates::by($left)->specs)->toBe([]);
});

it('scores a setup that is longer and no more scattered no worse', function (): void {
    $record = caseOf(['A' => [64.0, 12.0, 0.0, 8]]);
    $draws = Search::of($record)->draws();
    $scored = ScoredDraws::of($draws, new Brief);
    $order = array_keys($draws->specs);
    foreach ($order as $s) {
        foreach ($order as $t) {
            $better = true;
            foreach ($draws->figures[$s][1] as $d => $total) {
                $better =
                    $better &&
                    $total >= $draws->figures[$t][1][$d] &&
                    abs($draws->figures[$s][2][$d]) <= abs($draws->figures[$t][2][$d]) &&
                    $draws->figures[$s][4][$d] <= $draws->figures[$t][4][$d] &&
                    $draws->figures[$s][2][$d] * $draws->figures[$t][2][$d] >= 0;
            }
            if ($better && $s !== $t) {
                expect(array_sum($scored->strokes[$s]))->toBeLessThanOrEqual(array_sum($scored->strokes[$t]) + 1e-3);
            }
        }
    }
    expect(Finder::of($draws, new Brief)->setups)->toHaveCount(count($order));
});
