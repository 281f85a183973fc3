<?php

declare(strict_types=1);

use MintCarry\Bench\BeliefBench;
use MintCarry\Core\Finder\Belief;
use MintCarry\Core\Finder\BeliefUpdate;
use MintCarry\Core\Finder\Search;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Impact\Impact;
use MintCarry\Core\Impact\Swing;
use MintCarry\Core\Report\AdviceReport;
use MintCarry\Core\Report\Grounds;
use MintCarry\Core\Statistics\Matrix;
use MintCarry\Core\Statistics\Normal;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\MadeFitting;

require_once dirname(__DIR__, 2).'/bin/parts/bench/belief.php';

// The belief comes to the shots: what was seen sixty times wins over any prior.

/** @return array<string, array<string, mixed>> */
function judgedSetups(MadeFitting $made): array
{
    return array_column(AdviceReport::of($made->record())['setups'], null, 'tag');
}

it('tells the gain that 120 shots show, and an interval that holds it', function (string $hand): void {
    $made = MadeFitting::of($hand, [], 4)->head('Tern 460', 10.5)
        ->hit('A', 'Tern 460', 60, [102, 13.5, 1550, -1, 0])->hit('B', 'Tern 460', 60, [104.5, 15.5, 2050, -1, 0], ['sleeve' => '+1.5']);
    $judged = judgedSetups($made);
    $seen = $judged['B']['carry']->mean - $judged['A']['carry']->mean;
    expect($seen)->toBeGreaterThan(10.0)
        ->and($judged['B']['carryGainInterval']->contains($seen))->toBeTrue()
        ->and($judged['B']['carryGainM'])->toBeGreaterThan(0.85 * $seen);
    foreach ($judged as $one) {
        expect($one['expectedCarryM'])->toEqualWithDelta($one['carry']->mean, 0.01 * $one['carry']->mean);
    }
})->with(['right', 'left']);

it('tells most of a difference of seven standard errors after eight shots of each', function (): void {
    $made = MadeFitting::of('right', [], 5)->head('Tern 460', 10.5)
        ->hit('A', 'Tern 460', 8, [102, 13.5, 1550, -1, 0], ['scatter' => 0.6])
        ->hit('B', 'Tern 460', 8, [105, 15.5, 2050, -1, 0], ['sleeve' => '+1.5', 'scatter' => 0.6]);
    $judged = judgedSetups($made);
    $seen = $judged['B']['carry']->mean - $judged['A']['carry']->mean;
    expect($judged['B']['carryGainM'])->toBeGreaterThan(0.65 * $seen)->and($judged['B']['carryGainInterval']->contains($seen))->toBeTrue();
});

it('comes to the fairways that thirty shots show', function (string $hand): void {
    $made = MadeFitting::of($hand, ['corridor' => ['widthM' => 30]], 6)->head('Old 10', 10.5)->head('Tern 460', 10.5)
        ->hit('A', 'Old 10', 30, [150, 13, 2700, 2.5, 4])->hit('B', 'Tern 460', 30, [150, 13, 2700, 0, 0], ['scatter' => 0.7]);
    $record = $made->record();
    $grounds = Grounds::of($record);
    foreach ($grounds->sets as $set) {
        $s = (int) $grounds->draws?->index($set->tag);
        $sides = array_map(static fn ($shot): float => $shot->known['totalSideM'], $set->shots);
        $mean = array_sum($sides) / count($sides);
        $sd = sqrt(array_sum(array_map(static fn (float $v): float => ($v - $mean) ** 2, $sides)) / (count($sides) - 1));
        $within = static fn (float $m, float $w): float => Normal::cdf((15 - $m) / $w) - Normal::cdf((-15 - $m) / $w);
        [$rests, $widths] = [$grounds->draws->figures[$s][6], $grounds->draws->figures[$s][7]];
        expect(array_sum($rests) / count($rests))->toEqualWithDelta($mean, 1.0)
            ->and(array_sum(array_map($within, $rests, $widths)) / count($rests))->toEqualWithDelta($within($mean, $sd), 0.05);
    }
})->with(['right', 'left']);

it('tells a low launcher no shorter than their shots', function (): void {
    $judged = judgedSetups(MadeFitting::of('right', [], 7)->head('Old 10', 9)
        ->hit('A', 'Old 10', 6, [172, 6.5, 1280, 0, 0])->hit('B', 'Old 10', 6, [171, 8, 1500, 0, 0], ['sleeve' => '+1.5']));
    foreach ($judged as $one) {
        expect(abs($one['expectedCarryM'] / $one['carry']->mean - 1))->toBeLessThan(0.08);
    }
});

it('flies the balls of its own belief as far as it tells, where only the ball was seen', function (): void {
    $record = MadeFitting::of('right', [], 8)->head('Old 10', 10.5)->hit('A', 'Old 10', 20, [150, 12.5, 2700, 1, 2])->record();
    $search = Search::modelled($record);
    $belief = $search->belief();
    $own = $record->own()->spec($record->hand);
    $impact = new Impact($own->body);
    $flight = new BallFlight;
    $random = new Randomizer(new Mt19937(3));
    $root = Matrix::cholesky($belief->scatter);
    $at = $belief->swing($own);
    $carries = [];
    for ($k = 0; $k < 3000; $k++) {
        $z = array_map(fn (): float => Normal::draw($random), range(1, 7));
        $x = $at;
        for ($i = 0; $i < 7; $i++) {
            for ($j = 0; $j <= $i; $j++) {
                $x[$i] += $root[$i][$j] * $z[$j];
            }
        }
        $ball = Swing::of($x)->launch($impact);
        if ($ball !== null && $ball->launchDeg > 0.6) {
            $carries[] = $flight->fly($ball)->carryM;
        }
    }
    $told = $search->drawsOfHit()->figures[0][0];
    expect(array_sum($told) / count($told))->toEqualWithDelta(array_sum($carries) / count($carries), 0.01 * array_sum($carries) / count($carries));
});

it('believes one club of two letters to be one club', function (): void {
    $record = MadeFitting::of('right', [], 9)->head('Old 10', 10.5)->hit('A', 'Old 10', 6, [147, 12.5, 2500, 0, 0])
        ->hit('B', 'Old 10', 6, [151, 12.5, 2500, 0, 0])->record();
    $draws = Search::modelled($record)->drawsOfHit();
    expect($draws->figures[1])->toBe($draws->figures[0]);
});

it('tells the same whichever was hit first, and tires of no setup by itself', function (): void {
    $of = static function (array $order): array {
        $made = MadeFitting::of('right', [], 3)->head('Old 10', 10.5)->head('Tern 460', 10.5);
        foreach ($order as [$tag, $head, $ball]) {
            $made->hit($tag, $head, 12, $ball);
        }

        return judgedSetups($made);
    };
    $a = ['A', 'Old 10', [147, 12.5, 2500, 0, 0]];
    $b = ['B', 'Tern 460', [147, 12.5, 2500, 0, 0]];
    [$first, $last] = [$of([$a, $b]), $of([$a, $b, $a, $b])];
    expect($first['B']['carryGainM'])->toEqualWithDelta(0.0, 1.5)->and($last['B']['carryGainM'])->toEqualWithDelta(0.0, 1.0);
});

it('has come to rest: another round moves no carry by half a metre', function (bool $ballOnly): void {
    $more = $ballOnly ? [] : ['clubMph' => 101, 'toeMm' => -3];
    $made = static fn (): array => judgedSetups(MadeFitting::of('left', [], 11)->head('Old 10', 10.5)->head('Tern 460', 10.5)
        ->hit('A', 'Old 10', 10, [147, 12.5, 2500, 2, 3], $more)->hit('B', 'Tern 460', 10, [150, 14, 2200, -1, -2], $more));
    $now = $made();
    $rounds = BeliefUpdate::$extraRounds;
    try {
        BeliefUpdate::$extraRounds = 1;
        $then = $made();
        BeliefUpdate::$extraRounds = 15;
        $long = $made();
    } finally {
        BeliefUpdate::$extraRounds = $rounds;
    }
    foreach ($now as $tag => $one) {
        expect($then[$tag]['expectedCarryM'])->toEqualWithDelta($one['expectedCarryM'], 0.5)
            ->and($then[$tag]['chanceBetter'])->toEqualWithDelta($one['chanceBetter'], 0.01)
            ->and($long[$tag]['expectedCarryM'])->toEqualWithDelta($one['expectedCarryM'], 0.01 * $one['expectedCarryM']);
    }
})->with(['club seen' => false, 'ball alone' => true]);

it('widens what it believes of this player’s heads where they do more than heads usually do', function (): void {
    $usual = Belief::prior(MadeFitting::of('right')->head('Old 10', 10.5)->hit('A', 'Old 10', 4, [147, 12, 2500, 0, 0])->record()->own()->spec(MintCarry\Core\Club\Hand::Right), 45.0, [], [], 0.5);
    $of = static function (float $by): Belief {
        $made = MadeFitting::of('right', [], 2)->head('Old 10', 10.5)->hit('A', 'Old 10', 12, [147, 12.5, 2500, 0, 0]);
        foreach ([['+1.5', $by], ['-1.5', -$by]] as $k => [$sleeve, $off]) {
            $made->hit("B{$k}", 'Old 10', 12, [147 + 4 * $off, 12.5 + 3 * $off, 2500 + 700 * $off, 2 * $off, 0], ['sleeve' => $sleeve]);
        }

        return Search::modelled($made->record())->belief();
    };
    expect($of(2.0)->priorWidth)->toBeGreaterThan(1.2 * $of(0.0)->priorWidth)->and($usual->priorWidth)->toBe(1.0);
});

it('comes to the shots of hidden players, by the models and by the ball alone', function (bool $ballOnly): void {
    $told = (new BeliefBench(new Randomizer(new Mt19937(77))))->run(16, 30, $ballOnly);
    expect(abs($told['carry told over shown, bias %']))->toBeLessThan(0.7)->and($told['carry, rms %'])->toBeLessThan(1.2)
        ->and($told['carry within 1 %'])->toBeGreaterThan(0.8)->and($told['side within 1 m'])->toBeGreaterThan(0.7)
        ->and($told['share within .05'])->toBeGreaterThan(0.8)
        ->and($told['interval of the gain holds the measured one'])->toBeGreaterThan(0.9)
        ->and($told['share of a gain over 6 m that is told'])->toBeGreaterThan(0.8);
})->with(['club seen' => false, 'ball alone' => true])->group('bench');
